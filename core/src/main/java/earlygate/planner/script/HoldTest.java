package earlygate.planner.script;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.explain.Value;
import earlygate.network.Conditions;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.NoBalance;
import earlygate.solve.SteadyState;
import earlygate.solve.Transient;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Does a line that is shut in by its checks hold? Every way out is shut, the drive runs it up and stops; the gauge is read
 * at the start and so many seconds later. What the model says of the unit's own leaks is what is expected.
 */
final class HoldTest {
    private static final double LEAST_PA = 10 * BAR;
    /** Share of the pressure that must be left in the model for a line to count as one that holds. */
    private static final double HOLDS = 0.55;

    private static final double[] WATCHED_S = {60, 30, 10};
    /** Band around what the model says is left, as a share of the start. */
    private static final double WITHIN = 0.08;

    private static final double STEP_S = 0.5;

    private final Site site;
    private final PowerUnit unit;

    HoldTest(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /** Nothing where no line with a gauge holds. */
    void write(Situation set) {
        Rehearsal m = site.rehearsal();
        m.solved(set).filter(m::safe).ifPresent(start -> write(set, start));
    }

    private void write(Situation set, SteadyState start) {
        List<Double> seen = new ArrayList<>();
        for (TestPoint gauge : unit.testPoints()) {
            double from = start.pressure(gauge.line());
            boolean again = seen.stream().anyMatch(p -> Math.abs(p - from) < 0.01 * from);
            if (from < LEAST_PA || again) {
                continue;
            }
            for (double seconds : WATCHED_S) {
                OptionalDouble left = left(set, start, gauge, seconds);
                if (left.isPresent() && left.getAsDouble() > HOLDS * from) {
                    seen.add(from);
                    steps(set, gauge, seconds, from, left.getAsDouble());
                    break;
                }
            }
        }
    }

    /** Pa after so long; empty where the model finds no way there. */
    private OptionalDouble left(Situation set, SteadyState start, TestPoint gauge, double seconds) {
        Conditions c = site.model().network().conditions(set);
        Transient machine = site.model().inMotion();
        machine.restore(start, c);
        unit.all(Driver.class).forEach(d -> c.running(d.id(), false));
        try {
            for (double t = 0; t < seconds - STEP_S / 2; t += STEP_S) {
                machine.advance(c, STEP_S);
            }
        } catch (NoBalance unknown) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(machine.pressure(gauge.line()));
    }

    private void steps(Situation set, TestPoint gauge, double seconds, double from, double left) {
        Rehearsal m = site.rehearsal();
        m.go(set);
        site.script()
                .step(Kind.TEST, of("plan.hold-start").name("gauge", gauge.id()))
                .why(of("plan.why.hold"))
                .test(Procedure.Kind.HOLD, gauge.id())
                .expect(site.readings().roughly(gauge))
                .ifNot(of("plan.if-not.no-pressure"))
                .caution("injection")
                .onTime(site.drivers())
                .minutes(2)
                .add();
        m.go(site.stopped(set));
        double band = WITHIN * from + gauge.errorPa();
        Expect end = new Expect(gauge.id(), Value.Kind.PRESSURE, left, Math.max(0, left - band), from + gauge.errorPa())
                .taken(Expect.Take.AFTER, seconds);
        site.script()
                .step(
                        Kind.TEST,
                        of("plan.hold-end")
                                .name("motor", Site.names(site.drivers()))
                                .name("gauge", gauge.id())
                                .time("time", seconds))
                .why(of("plan.why.hold-end").pressure("from", from).pressure("left", left))
                .test(Procedure.Kind.HOLD, gauge.id())
                .moves(site.drivers())
                .expect(end)
                .ifNot(of("plan.if-not.falls-by").names("parts", WaysOut.of(unit, gauge.line())))
                .caution("stored-pressure")
                .minutes(1 + seconds / 60)
                .add();
    }
}
