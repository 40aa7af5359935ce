package earlygate.planner.script;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Accumulator;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.Optional;
import java.util.Set;

/** A relief valve whose vent is opened lets go, and holds again when it is closed. */
final class VentTest {
    /** Main springs hold 1.5 to 6 bar; the model has 3. Source: handbook 3.3. */
    private static final double BELOW = 1.5 * BAR;

    private static final double ABOVE = 3 * BAR;
    /** So far the line must fall by the model for a gauge to tell. */
    private static final double FALLS = 10 * BAR;

    private final Site site;
    private final PowerUnit unit;

    VentTest(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /** @param set running, levers at rest, loads shut */
    void write(Situation set) {
        for (ReliefValve relief : unit.all(ReliefValve.class)) {
            Optional<TestPoint> gauge = site.finest(relief.inlet());
            if (relief.vent() && gauge.isPresent() && !stores(relief.inlet())) {
                write(relief, gauge.get(), set);
            }
        }
    }

    private void write(ReliefValve relief, TestPoint gauge, Situation set) {
        Rehearsal m = site.rehearsal();
        Optional<SteadyState> holding = m.solved(set).filter(m::safe);
        Optional<SteadyState> vented =
                m.solved(set.withVented(Set.of(relief.id()))).filter(m::safe);
        if (holding.isEmpty() || vented.isEmpty()) {
            return;
        }
        double left = vented.get().pressure(gauge.line());
        if (holding.get().pressure(gauge.line()) - left < FALLS + gauge.errorPa()) {
            return;
        }
        m.go(set);
        double tolerance = unit.target(relief.id()).map(Target::tolerancePa).orElse(FALLS / 2);
        site.script()
                .step(Kind.TEST, of("plan.vent").name("setting", relief.id()).name("gauge", gauge.id()))
                .why(of("plan.why.vent").name("setting", relief.id()).pressure("vented", left))
                .test(Procedure.Kind.VENT, relief.id())
                .expect(site.readings().pressure(gauge, tolerance))
                .note(Note.VENTED.expecting(
                        left, Math.max(0, left - BELOW - gauge.errorPa()), left + ABOVE + gauge.errorPa()))
                .ifNot(of("plan.if-not.vent"))
                .caution("injection")
                .onTime(site.drivers())
                .minutes(1)
                .add();
        OnTime.rest(site);
    }

    /** An accumulator would empty itself through the vent. */
    private boolean stores(String line) {
        return unit.all(Accumulator.class).stream().anyMatch(a -> a.line().equals(line));
    }
}
