package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.gauge.Arrangement;
import earlygate.plan.Goal;
import earlygate.plan.Phase;
import earlygate.plan.School;
import earlygate.plan.Step.Kind;
import earlygate.planner.search.Course;
import earlygate.planner.search.Refusals;
import earlygate.unit.Accumulator;
import earlygate.unit.DcMotor;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Phases 6 and 7: the legs of the course as steps, each put on the machine and proved as it is written. */
public final class Setter {
    /** Of a pressure, what a screw at its end may stand off from its data. */
    private static final double UNSURE = 1.15;
    /** Of its target, where a relief begins that is brought up from below. */
    private static final double BELOW = 0.8;

    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;
    private final School school;
    private final Moves moves;
    private final Aim aims;
    private final LegWords words;
    private final List<Course.Leg> course;
    private final Set<String> done = new LinkedHashSet<>();
    private final List<Runnable> atTheEnd = new ArrayList<>();

    public Setter(Site site, School school, List<Course.Leg> course) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
        this.school = school;
        this.moves = new Moves(site);
        this.aims = new Aim(site, moves);
        this.words = new LegWords(site, aims);
        this.course = course;
    }

    public void set() {
        script.phase(Phase.Id.SET);
        Rehearsal m = site.rehearsal();
        Situation set = site.running(site.loads(m.situation, 0)).centred(unit);
        m.go(set);
        boolean offsetKnown = false;
        for (Course.Leg leg : course) {
            if (!offsetKnown && unit.setting(leg.target().setting()).kind() == Setting.Kind.PORT_RELIEF) {
                offsetKnown = true;
                Standby.beforePortReliefs(site, done);
            }
            Optional<Pump> pump = leadingPump(leg.target());
            if (pump.isPresent()) {
                new CrackRoute(site, school, moves).write(leg, pump.get());
            } else {
                plain(leg);
            }
            done.add(leg.target().setting());
            Cooling.after(site);
        }
        new Rates(site, moves).write();
    }

    /** What can still be seen on its gauge with everything set is read again once all nuts are tight. */
    public void lock() {
        script.phase(Phase.Id.LOCK);
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

    /** Everything else above, valves arranged, then from below up to the reading. */
    private void plain(Course.Leg leg) {
        Target t = leg.target();
        Rehearsal m = site.rehearsal();
        Situation from = site.loads(site.running(m.situation), 0).centred(unit).withSetting(t.setting(), leg.setting());
        Map<String, Double> lifts = new LinkedHashMap<>();
        for (Map.Entry<String, Double> up : leg.shown().lifted().entrySet()) {
            if (from.settings().get(up.getKey()) < up.getValue() - 1 && !done.contains(up.getKey())) {
                lifts.put(up.getKey(), up.getValue());
                from = from.withSetting(up.getKey(), up.getValue());
            }
        }
        Situation cleared = from;
        Optional<Arrangement> found = site.search()
                .again(leg.shown(), cleared)
                .or(() -> site.search()
                        .find(
                                t.setting(),
                                cleared,
                                id -> !done.contains(id)
                                        && !unit.setting(id).kind().equals(Setting.Kind.LOAD_SENSE)));
        if (found.isEmpty() || found.get().gauges().isEmpty()) {
            String line = unit.setting(t.setting()).line();
            m.refuse("never-has-the-gauge", t.setting(), Refusals.hidden(t.setting(), line, holder(cleared, line)));
            return;
        }
        Arrangement arrangement = bearable(found.get());
        TestPoint gauge = arrangement.gauges().get(0);
        arrangement.lifted().forEach((id, to) -> lifts.merge(id, to, Math::max));
        lifts.forEach((other, to) -> {
            if (m.situation.settings().get(other) < to - 1) {
                moves.move(unit.setting(other), to, "plan.raise", "plan.why.raise", gauge);
            }
        });
        if (mayUnload(t, leg.setting())) {
            Setting s = unit.setting(t.setting());
            moves.move(s, s.screw().clamp(BELOW * leg.setting()), "plan.lower", "plan.why.lower", gauge);
        }
        double before = m.situation.settings().get(t.setting());
        Optional<UnloadingValve> charges = charging(t);
        Situation there =
                charges.map(v -> Charging.of(site, arrangement.situation(), v)).orElse(arrangement.situation());
        GearFitting.before(site, there);
        charges.ifPresent(v -> Charging.write(site, there.withSetting(t.setting(), before), gauge));
        m.go(there);
        m.proveOvershoot(t.setting(), leg.setting());
        double aim = aims.at(t, gauge);
        Aim.Reading read = charges.isPresent()
                ? aims.peak(t, gauge)
                : aims.margin(t, gauge).orElseGet(() -> aims.alone(t, gauge, aim));
        boolean down = before > leg.setting() + 1;
        double turns = Site.sixteenths(
                (leg.setting() - before) / unit.setting(t.setting()).screw().paPerTurn());
        boolean relief = unit.partOf(t.setting()) instanceof ReliefValve;
        script.step(
                        Kind.SET,
                        words.action(t, down, aim, gauge, turns, read.goal().targetPa()))
                .why(words.why(t, arrangement))
                .setting(t.setting())
                .goal(read.goal())
                .expect(read.expect())
                .ifNot(
                        LegWords.named(
                                of("plan.if-not.stands-still"),
                                "relief",
                                words.next(arrangement, gauge),
                                "part.another-limiter"),
                        of("plan.if-not.worn"))
                .unprotected(!relief && m.alone(t.setting()))
                .caution("injection", "adjuster-only")
                .fullFlow()
                .onTime(site.drivers())
                .people(2)
                .minutes(6)
                .add();
        if (charges.isPresent()
                || read.goal() instanceof Goal.Difference
                || site.drivers().stream().anyMatch(d -> d instanceof DcMotor)) {
            // Read in one and the same state before and after its nut is tight.
            moves.lockStep(t.setting(), read.goal(), read.expect());
            if (read.goal() instanceof Goal.Difference) {
                new CutOffAgain(site, moves, aims).write((Pump) unit.partOf(t.setting()), done);
            }
            return;
        }
        boolean seenAtTheEnd = site.model()
                .solve(allSet(m.situation))
                .flatMap(end -> end.limiterOf(gauge.line()))
                .filter(t.setting()::equals)
                .isPresent();
        if (seenAtTheEnd) {
            Situation here = m.situation;
            atTheEnd.add(() -> lockAtTheEnd(t, gauge, here));
        } else {
            moves.lockStep(t.setting(), read.goal(), read.expect());
        }
    }

    /**
     * A relief that comes down from near the end of a charging valve's screw, whose place nobody knows better than that:
     * the valve might send the pump home first, and with its accumulator shut off the line would saw instead of stand.
     */
    private boolean mayUnload(Target t, double to) {
        double from = site.rehearsal().situation.settings().get(t.setting());
        return from > to + 1
                && unit.partOf(t.setting()) instanceof ReliefValve relief
                && unit.all(UnloadingValve.class).stream()
                        .filter(v -> v.differential().isPresent() && !done.contains(v.id()))
                        .filter(v -> v.inlet().equals(relief.inlet()))
                        .anyMatch(v -> site.rehearsal().situation.settings().get(v.id()) < UNSURE * from);
    }

    /** In the state in which it was set, every other setting as it stands by now. */
    private void lockAtTheEnd(Target t, TestPoint gauge, Situation here) {
        Rehearsal m = site.rehearsal();
        Situation last = here;
        for (Map.Entry<String, Double> e : m.situation.settings().entrySet()) {
            last = last.withSetting(e.getKey(), e.getValue());
        }
        Situation on = site.running(last);
        // What was fitted meanwhile stays on its line, shut.
        Situation with =
                (last.gear().isEmpty() ? on.withGearOf(m.situation.withGearOpen(0)) : on).withMetersOf(m.situation);
        GearFitting.before(site, with);
        m.go(with);
        double locked = aims.at(t, gauge);
        moves.lockStep(
                t.setting(),
                new Goal.OnGauge(gauge.id(), locked, t.tolerancePa(), moves.limit(gauge)),
                List.of(readings.around(gauge, locked, t.tolerancePa())));
    }

    /** Where all of the flow over a limiter asks too much of a motor or a line, part of it may do. */
    private Arrangement bearable(Arrangement full) {
        Rehearsal m = site.rehearsal();
        return m.safe(full.state())
                ? full
                : site.search().atPartLoad(full, m::safe).orElse(full);
    }

    private Optional<UnloadingValve> charging(Target t) {
        return unit.partOf(t.setting()) instanceof UnloadingValve v
                        && v.differential().isPresent()
                        && !unit.all(Accumulator.class).isEmpty()
                ? Optional.of(v)
                : Optional.empty();
    }

    private Situation allSet(Situation s) {
        Situation all = s;
        for (Course.Leg leg : course) {
            all = all.withSetting(leg.target().setting(), leg.setting());
        }
        return all;
    }

    private Optional<String> holder(Situation s, String line) {
        return site.model().solve(s).flatMap(state -> state.limiterOf(line));
    }
}
