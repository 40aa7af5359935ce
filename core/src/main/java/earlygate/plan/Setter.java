package earlygate.plan;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.circuit.DirectionalValve;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.ReliefValve;
import earlygate.circuit.Screw;
import earlygate.circuit.Section;
import earlygate.circuit.Setting;
import earlygate.circuit.Situation;
import earlygate.circuit.Target;
import earlygate.circuit.TestPoint;
import earlygate.circuit.Throttle;
import earlygate.circuit.UnloadingValve;
import earlygate.explain.Reason;
import earlygate.plan.Step.Goal;
import earlygate.plan.Step.Kind;
import earlygate.plan.Step.Way;
import earlygate.reach.Reach;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Phases 6 and 7: the legs of the course as steps, each put on the machine and proved as it is written. */
final class Setter {
    /** Who takes the gauge after a screw that nothing stands above. */
    private static final String NOBODY = "no other limiter";

    private final Bench bench;
    private final PowerUnit unit;
    private final Draft draft;
    private final Readings readings;
    private final School school;
    private final List<Course.Leg> course;
    private final Set<String> done = new LinkedHashSet<>();
    private final List<Runnable> atTheEnd = new ArrayList<>();

    Setter(Bench bench, School school, List<Course.Leg> course) {
        this.bench = bench;
        this.unit = bench.unit();
        this.draft = bench.draft();
        this.readings = bench.readings();
        this.school = school;
        this.course = course;
    }

    void set() {
        draft.phase(Phase.Id.SET);
        Machine m = bench.machine();
        m.go(bench.loads(m.situation, 0));
        for (Course.Leg leg : course) {
            Optional<Pump> pump = leadingPump(leg.target());
            if (pump.isPresent()) {
                byTheCrack(leg, pump.get());
            } else {
                plain(leg);
            }
            done.add(leg.target().setting());
        }
    }

    /** What can still be seen on its gauge with everything set is read again once all nuts are tight. */
    void lock() {
        draft.phase(Phase.Id.LOCK);
        atTheEnd.forEach(Runnable::run);
    }

    /** The compensated pump that holds the line while its main relief is found by its crack. */
    private Optional<Pump> leadingPump(Target t) {
        if (school == School.LEAD_WITH_RELIEF
                || !(unit.partOf(t.setting()) instanceof ReliefValve r)
                || r.role() != ReliefValve.Role.MAIN) {
            return Optional.empty();
        }
        return unit.pumpsInto(r.inlet()).stream()
                .filter(p -> p.compensator().isPresent() && !done.contains(p.compensatorId()))
                .findFirst();
    }

    // --- a relief by its crack, the pump leading

    private void byTheCrack(Course.Leg leg, Pump pump) {
        Target t = leg.target();
        Machine m = bench.machine();
        Setting compensator = unit.setting(pump.compensatorId());
        Setting relief = unit.setting(t.setting());
        if (compensator.screw().maxPa() < leg.setting()) {
            m.refuse(
                    "never-has-the-gauge",
                    relief.id(),
                    of("plan.refused.reach")
                            .name("relief", relief.id())
                            .name("compensator", compensator.id())
                            .pressure("target", leg.setting())
                            .pressure("max", compensator.screw().maxPa()));
            return;
        }
        TestPoint gauge = leg.reach().gauges().get(0);
        arrange(deadhead(leg, compensator, relief));
        double proved = PumpProof.write(bench, gauge, compensator, relief);
        if (school == School.SIDE_BY_SIDE) {
            inStages(leg, gauge, compensator, relief);
        }
        reliefIn(gauge, compensator, relief, proved);
        compensatorUp(leg, gauge, compensator, relief);
        crack(leg, gauge, compensator, relief);
    }

    /** Valves as they must stand for the compensator to hold this line without flow. */
    private Situation deadhead(Course.Leg leg, Setting compensator, Setting relief) {
        Situation up = bench.machine()
                .situation
                .withSetting(compensator.id(), leg.setting())
                .withSetting(relief.id(), relief.screw().maxPa());
        return bench.reaching()
                .find(compensator.id(), up, none -> false)
                .map(Reach::situation)
                .orElse(up);
    }

    private void inStages(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Machine m = bench.machine();
        for (double share : new double[] {0.25, 0.5, 0.75}) {
            double aim = share * leg.setting();
            double above = relief.screw().clamp(aim + 0.15 * leg.setting());
            if (above > m.situation.settings().get(relief.id())) {
                move(relief, above, "plan.relief-follows", gauge);
            }
            m.go(m.situation.withSetting(
                    compensator.id(), Math.max(aim, compensator.screw().minPa())));
            m.proveOvershoot(compensator.id(), aim);
            draft.step(
                            Kind.START_POSITION,
                            of("plan.stage")
                                    .name("compensator", compensator.id())
                                    .ratio("share", share)
                                    .pressure("target", readings.of(gauge)))
                    .why(of("plan.why.stage"))
                    .setting(compensator.id())
                    .goal(new Goal(Way.TURN_TO_READING, gauge.id(), readings.of(gauge), 10 * BAR, limit(gauge), 0))
                    .expect(readings.pressure(gauge, 10 * BAR))
                    .ifNot(of("plan.if-not.stands-still").name("relief", relief.id()))
                    .caution("injection", "adjuster-only")
                    .minutes(4)
                    .add();
            draft.step(Kind.CHECK, of("plan.leak-walk"))
                    .why(of("plan.why.leak-walk"))
                    .caution("injection")
                    .minutes(2)
                    .add();
        }
    }

    private void reliefIn(TestPoint gauge, Setting compensator, Setting relief, double band) {
        Machine m = bench.machine();
        double turns = turnsTo(relief, relief.screw().maxPa());
        m.go(m.situation.withSetting(relief.id(), relief.screw().maxPa()));
        draft.step(Kind.START_POSITION, of("plan.relief-in").name("relief", relief.id()))
                .why(of("plan.why.relief-in").name("relief", relief.id()).turns("turns", turns))
                .setting(relief.id())
                .goal(new Goal(Way.TO_THE_END, gauge.id(), readings.of(gauge), 0, limit(gauge), turns))
                .expect(readings.pressure(gauge, band))
                .ifNot(of("plan.if-not.relief-moves-gauge")
                        .name("relief", relief.id())
                        .name("compensator", compensator.id()))
                .unprotected(m.alone(compensator.id()))
                .caution("adjuster-only")
                .minutes(2)
                .add();
    }

    private void compensatorUp(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Machine m = bench.machine();
        Target t = leg.target();
        m.go(m.situation.withSetting(compensator.id(), leg.setting()));
        m.proveOvershoot(compensator.id(), leg.setting());
        draft.step(
                        Kind.START_POSITION,
                        of("plan.compensator-up")
                                .name("compensator", compensator.id())
                                .name("relief", relief.id())
                                .pressure("target", leg.setting()))
                .why(of("plan.why.compensator-up").name("relief", relief.id()))
                .setting(compensator.id())
                .goal(new Goal(Way.TURN_TO_READING, gauge.id(), leg.setting(), t.tolerancePa(), limit(gauge), 0))
                .expect(readings.around(gauge, leg.setting(), t.tolerancePa()))
                .ifNot(
                        of("plan.if-not.stands-still").name("relief", relief.id()),
                        of("plan.if-not.value-not-passed"),
                        of("plan.if-not.no-pressure"))
                .unprotected(m.alone(compensator.id()))
                .caution("injection", "adjuster-only", "hot")
                .people(2)
                .minutes(8)
                .add();
    }

    private void crack(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Machine m = bench.machine();
        Target t = leg.target();
        boolean alone = m.alone(compensator.id());
        m.go(m.situation.withSetting(relief.id(), leg.setting()));
        m.proveOvershoot(relief.id(), leg.setting());
        Goal goal = new Goal(Way.BACK_OUT_TO_CRACK, gauge.id(), leg.setting(), t.tolerancePa(), limit(gauge), 0);
        draft.step(
                        Kind.SET,
                        of("plan.relief-crack")
                                .name("relief", relief.id())
                                .name("compensator", compensator.id())
                                .pressure("target", leg.setting()))
                .why(of("plan.why.relief-crack")
                        .name("relief", relief.id())
                        .name("compensator", compensator.id())
                        .pressure("target", leg.setting()))
                .setting(relief.id())
                .goal(goal)
                .expect(readings.around(gauge, leg.setting(), t.tolerancePa()))
                .ifNot(
                        of("plan.if-not.never-falls").name("relief", relief.id()),
                        of("plan.if-not.falls-early").name("relief", relief.id()))
                .unprotected(alone)
                .caution("injection", "thread")
                .people(2)
                .minutes(8)
                .add();
        Goal again = new Goal(Way.TURN_TO_READING, gauge.id(), leg.setting(), t.tolerancePa(), limit(gauge), 0);
        lockStep(t.setting(), again, List.of(readings.around(gauge, leg.setting(), t.tolerancePa())));
    }

    // --- any other setting: everything else above, valves arranged, then from below up to the reading

    private void plain(Course.Leg leg) {
        Target t = leg.target();
        Machine m = bench.machine();
        Situation from = bench.loads(m.situation, 0).centred(unit).withSetting(t.setting(), leg.setting());
        Optional<Reach> found = bench.reaching()
                .find(
                        t.setting(),
                        from,
                        id -> !done.contains(id) && !unit.setting(id).kind().equals(Setting.Kind.LOAD_SENSE));
        if (found.isEmpty() || found.get().gauges().isEmpty()) {
            m.refuse(
                    "never-has-the-gauge",
                    t.setting(),
                    of("plan.refused.hidden")
                            .name("setting", t.setting())
                            .name("line", unit.setting(t.setting()).line())
                            .name("holder", holder(from, t)));
            return;
        }
        Reach reach = found.get();
        TestPoint gauge = reach.gauges().get(0);
        for (String other : reach.raised()) {
            Setting s = unit.setting(other);
            if (m.situation.settings().get(other) < s.screw().maxPa() - 1) {
                move(s, s.screw().maxPa(), "plan.raise", gauge);
            }
        }
        arrange(reach.situation()
                .withSetting(t.setting(), m.situation.settings().get(t.setting())));
        double before = m.situation.settings().get(t.setting());
        m.go(reach.situation());
        m.proveOvershoot(t.setting(), leg.setting());
        double aim = aim(t, gauge);
        List<Expect> expect = new ArrayList<>(List.of(readings.around(gauge, aim, t.tolerancePa())));
        signalGauge(t).ifPresent(g -> expect.add(readings.pressure(g, 20 * BAR)));
        Goal goal = new Goal(Way.TURN_TO_READING, gauge.id(), aim, t.tolerancePa(), limit(gauge), 0);
        boolean relief = unit.partOf(t.setting()) instanceof ReliefValve;
        draft.step(Kind.SET, action(t, before > leg.setting(), aim, gauge))
                .why(why(t, reach))
                .setting(t.setting())
                .goal(goal)
                .expect(expect)
                .ifNot(of("plan.if-not.stands-still").name("relief", next(reach, gauge)), of("plan.if-not.worn"))
                .unprotected(!relief && m.alone(t.setting()))
                .caution("injection", "adjuster-only")
                .fullFlow()
                .onTime(bench.drivers())
                .people(2)
                .minutes(6)
                .add();
        boolean seenAtTheEnd = bench.reaching()
                .find(t.setting(), allSet(m.situation), none -> false)
                .filter(r -> r.gauges().contains(gauge))
                .isPresent();
        if (seenAtTheEnd) {
            Situation here = m.situation;
            atTheEnd.add(() -> {
                Situation last = here;
                for (Map.Entry<String, Double> e :
                        bench.machine().situation.settings().entrySet()) {
                    last = last.withSetting(e.getKey(), e.getValue());
                }
                arrange(last);
                m.go(last);
                double locked = aim(t, gauge);
                lockStep(
                        t.setting(),
                        new Goal(Way.TURN_TO_READING, gauge.id(), locked, t.tolerancePa(), limit(gauge), 0),
                        List.of(readings.around(gauge, locked, t.tolerancePa())));
            });
        } else {
            lockStep(t.setting(), goal, List.of(readings.around(gauge, aim, t.tolerancePa())));
        }
    }

    /** The schematic's own figure where this gauge shows it, but for what leaks and drops cost; else what it shows. */
    private double aim(Target t, TestPoint gauge) {
        double shows = readings.of(gauge);
        boolean own = gauge.line().equals(unit.setting(t.setting()).line());
        return own && Math.abs(shows - t.pressurePa()) < t.tolerancePa() / 2 ? t.pressurePa() : shows;
    }

    private Situation allSet(Situation s) {
        Situation all = bench.loads(s, 0).centred(unit);
        for (Course.Leg leg : course) {
            all = all.withSetting(leg.target().setting(), leg.setting());
        }
        return all;
    }

    private String holder(Situation s, Target t) {
        return bench.reaching()
                .solve(s)
                .flatMap(state -> state.limiterOf(unit.setting(t.setting()).line()))
                .orElse("-");
    }

    /** Who would take the gauge from this setting if it stood lower than thought. */
    private String next(Reach reach, TestPoint gauge) {
        Situation up = reach.situation()
                .withSetting(
                        reach.setting(), unit.setting(reach.setting()).screw().maxPa());
        return bench.reaching()
                .solve(up)
                .flatMap(s -> s.limiterOf(gauge.line()))
                .filter(id -> !id.equals(reach.setting()))
                .orElse(NOBODY);
    }

    private Optional<TestPoint> signalGauge(Target t) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.loadSenseId().equals(t.setting()))
                .flatMap(p -> p.loadSense().stream())
                .flatMap(c -> unit.gaugesOn(c.signal()).stream())
                .findFirst();
    }

    private Reason action(Target t, boolean fromAbove, double aim, TestPoint gauge) {
        Setting s = unit.setting(t.setting());
        String code = switch (s.kind()) {
            case COMPENSATOR -> fromAbove ? "plan.compensator-down" : "plan.set";
            case LOAD_SENSE -> "plan.set-margin";
            case UNLOADING ->
                ((UnloadingValve) unit.component(s.id())).differential().isPresent()
                        ? "plan.set-cut-out"
                        : "plan.set-transfer";
            case REDUCING -> "plan.set-branch";
            default -> "plan.set";
        };
        return of(code).name("setting", s.id())
                .name("compensator", s.id())
                .name("gauge", gauge.id())
                .pressure("target", s.kind() == Setting.Kind.LOAD_SENSE ? t.pressurePa() : aim)
                .pressure("reads", aim);
    }

    private Reason why(Target t, Reach reach) {
        Setting s = unit.setting(t.setting());
        String holder = next(reach, reach.gauges().get(0));
        if (s.kind() == Setting.Kind.COMPENSATOR) {
            return of("plan.why.compensator-down").name("compensator", s.id()).name("relief", holder);
        }
        String code = switch (s.kind()) {
            case LOAD_SENSE -> "plan.why.set-margin";
            case UNLOADING -> "plan.why.set-unloading";
            case REDUCING -> "plan.why.set-branch";
            case PORT_RELIEF -> "plan.why.set-port";
            default -> "plan.why.set";
        };
        return of(code).name("setting", s.id()).name("next", holder);
    }

    // --- what all of them share

    /** Puts valves and loads as they must stand, in one step that says so. */
    private void arrange(Situation to) {
        Machine m = bench.machine();
        List<String> parts = new ArrayList<>();
        unit.all(DirectionalValve.class).forEach(v -> valve(v.id(), v.start(), to, parts));
        unit.all(Section.class).forEach(x -> valve(x.id(), Section.POSITIONS.get(0), to, parts));
        for (Throttle t : unit.all(Throttle.class)) {
            double now = m.situation.openings().getOrDefault(t.id(), t.atRest());
            double then = to.openings().getOrDefault(t.id(), t.atRest());
            if (Math.abs(now - then) > 1e-3) {
                parts.add(t.id() + " " + (then == 0 ? "shut" : Math.round(then * 100) + " %"));
            }
        }
        m.go(to);
        if (!parts.isEmpty()) {
            draft.step(Kind.CHECK, of("plan.arrange").name("parts", String.join(", ", parts)))
                    .why(of("plan.why.arrange"))
                    .caution("loads")
                    .minutes(1)
                    .add();
        }
    }

    private void valve(String id, String rest, Situation to, List<String> parts) {
        String now = bench.machine().situation.positions().getOrDefault(id, rest);
        String then = to.positions().getOrDefault(id, rest);
        if (!now.equals(then)) {
            parts.add(id + " " + then);
        }
    }

    private void move(Setting s, double to, String code, TestPoint gauge) {
        Machine m = bench.machine();
        double turns = turnsTo(s, to);
        boolean end = to >= s.screw().maxPa();
        m.go(m.situation.withSetting(s.id(), to));
        draft.step(Kind.START_POSITION, of(code).name("setting", s.id()).turns("turns", turns))
                .why(of("plan.why.raise").name("setting", s.id()))
                .setting(s.id())
                .goal(new Goal(
                        end ? Way.TO_THE_END : Way.COUNT_TURNS, gauge.id(), readings.of(gauge), 0, limit(gauge), turns))
                .ifNot(of("plan.if-not.keeps-rising").name("compensator", s.id()))
                .caution("injection", "adjuster-only")
                .minutes(2)
                .add();
    }

    private void lockStep(String setting, Goal goal, List<Expect> expect) {
        boolean cap = unit.partOf(setting) instanceof ReliefValve r && r.sealedByCap();
        draft.step(Kind.LOCK, of(cap ? "plan.lock-cap" : "plan.lock").name("setting", setting))
                .why(of("plan.why.lock"))
                .setting(setting)
                .goal(goal)
                .expect(expect)
                .ifNot(of("plan.if-not.lock-moved").name("setting", setting))
                .caution("injection")
                .onTime(bench.drivers())
                .minutes(3)
                .add();
    }

    private double limit(TestPoint gauge) {
        return unit.weakest(gauge.line()).pressurePa();
    }

    private double turnsTo(Setting s, double to) {
        Screw screw = s.screw();
        return Bench.sixteenths((to - bench.machine().situation.settings().get(s.id())) / screw.paPerTurn());
    }
}
