package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.plan.Phase;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.DcMotor;
import earlygate.unit.Driver;
import earlygate.unit.Fluid;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Phase 5: warm oil at low pressure, in a time that somebody waits. */
public final class WarmUp {
    /** Longer than this, s, and the relief that holds the line is brought up for it, so that it takes about {@link #FAIR}. */
    private static final double SLOW = 3600;

    private static final double FAIR = 2700;
    /** Of its own target, so far a relief is brought up only to make heat: warming is done at low pressure. */
    private static final double MOST = 0.5;
    /** So much more heat is worth a screw. */
    private static final double WORTH = 1.2;
    /** min; what is written of one that never ends. */
    private static final double LONGEST = 240;

    private final Site site;
    private final PowerUnit unit;
    private final Rehearsal m;
    private final Fluid oil;

    public WarmUp(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.m = site.rehearsal();
        this.oil = unit.fluid();
    }

    /** @param mayTurn no screw is touched before each was read as it came */
    public void write(boolean mayTurn) {
        site.script().phase(Phase.Id.WARM_UP);
        // A pack with an on-time limit can't warm its oil; its band begins where a hall is.
        if (site.drivers().stream().anyMatch(d -> d instanceof DcMotor)) {
            m.go(site.stopped(m.situation));
            step("plan.oil-in-band", of("plan.why.oil-in-band"), 1);
            return;
        }
        m.go(warmest());
        if (mayTurn) {
            unit.all(Pump.class).forEach(this::bringUp);
        }
        OptionalDouble seconds = time(m.heat());
        Reason why = seconds.isPresent()
                ? of("plan.why.warm-up").temperature("high", oil.bandHigh()).time("time", seconds.getAsDouble())
                : of("plan.why.warm-up-never").temperature("most", oil.warmest(m.heat()));
        step(
                "plan.warm-up",
                why.power("heat", m.heat()),
                Math.max(1, Math.min(LONGEST, Math.round(seconds.orElse(Double.MAX_VALUE) / 60))));
    }

    private OptionalDouble time(double heat) {
        return oil.warmingTime(Fluid.HALL, oil.bandLow(), heat);
    }

    private void step(String code, Reason why, double minutes) {
        site.script()
                .step(Kind.TEST, of(code).temperature("low", oil.bandLow()).temperature("high", oil.bandHigh()))
                .why(why)
                .expect(site.readings().oilInBand())
                .ifNot(of("plan.if-not.slow-warm"))
                .caution("hot")
                .minutes(minutes)
                .add();
    }

    /** One relief after the other that this pump's flow goes over, so far as the oil asks. */
    private void bringUp(Pump pump) {
        for (int i = 0; i < unit.targets().size(); i++) {
            // Each that is brought up may leave the line to the next.
            if (!isSlow() || !raised(pump)) {
                return;
            }
        }
    }

    private boolean isSlow() {
        return time(m.heat()).orElse(Double.MAX_VALUE) > SLOW;
    }

    private boolean raised(Pump pump) {
        Optional<Target> target = m.state
                .flatMap(s -> s.limiterOf(pump.outlet()))
                .filter(id -> unit.partOf(id) instanceof ReliefValve)
                .flatMap(unit::target);
        double flow = m.state.map(s -> s.pump(pump.id()).flow()).orElse(0.0);
        if (target.isEmpty() || flow <= 0) {
            return false;
        }
        Setting relief = unit.setting(target.get().setting());
        Optional<TestPoint> gauge = site.finest(relief.line());
        double stands = site.unit().at(m.situation).setting(relief.id());
        double missing = oil.heatFor(Fluid.HALL, oil.bandLow(), FAIR) - m.heat();
        double to = Math.min(stands + missing / flow, MOST * target.get().pressurePa());
        boolean helps = m.solved(m.situation.withSetting(relief.id(), to))
                .filter(this::low)
                .filter(s -> s.shaftPower() > m.heat() * WORTH)
                .isPresent();
        if (gauge.isEmpty() || !helps) {
            return false;
        }
        new Moves(site).move(relief, to, "plan.bring-up", "plan.why.bring-up", gauge.get());
        return true;
    }

    /** Load and valves so that most heat is made, far below every rating and the motor's own. */
    private Situation warmest() {
        Situation best = site.loads(m.situation.centred(unit), 0);
        double most = 0;
        List<Situation> ways = new ArrayList<>();
        for (double opening : new double[] {0, 0.1, 0.3, 1}) {
            Situation s = site.loads(m.situation.centred(unit), opening);
            ways.add(s);
            ways.addAll(site.anyPosition(s));
        }
        for (Situation s : ways) {
            Optional<SteadyState> state = m.solved(s).filter(this::low);
            // Another position of the valves must be worth the walk.
            double worth = most * (s.positions().equals(best.positions()) ? 1 : 1.25);
            if (state.isPresent() && state.get().shaftPower() > worth) {
                most = state.get().shaftPower();
                best = s;
            }
        }
        return best;
    }

    private boolean low(SteadyState state) {
        return unit.all(Driver.class).stream()
                        .allMatch(d -> state.driver(d.id()).load() < 0.9 * d.serviceFactor())
                && unit.lines().stream()
                        .allMatch(l -> state.pressure(l.id())
                                < 0.7 * unit.weakest(l.id()).pressurePa());
    }
}
