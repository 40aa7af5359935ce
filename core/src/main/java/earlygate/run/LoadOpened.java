package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.Carry.Shifted;
import earlygate.run.RunEvent.Reading;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A hand opens a load until a gauge shows about what the step asks, and a coarse handle comes no nearer. What the drive
 * draws is then expected at the pressure that was read: {@code I = I0 + dI/dp (p - p0)}, by the model along the load. Its
 * band stays the same share of it, so a wide band of the pressure makes none of the current.
 */
final class LoadOpened {
    private static final int SINCE = 10;
    /** Of the planned opening, how far the model looks to either side. */
    private static final double NUDGE = 0.1;
    /** Pa: less than any gauge shows. */
    private static final double NOTHING = 5000;

    private final PowerUnit unit;
    private final boolean knows;
    private final Answers answers;

    /** @param plan of an earlier edition judges as it did when it was walked */
    LoadOpened(PowerUnit unit, Plan plan, Answers answers) {
        this.unit = unit;
        this.knows = plan.edition() >= SINCE;
        this.answers = answers;
    }

    /** The step as its own reading of the pressure has it; itself while that was not read, or where no hand opens a load. */
    Shifted into(Shifted planned, StepRecord record) {
        Step step = planned.step();
        Optional<Move> load = opened(step);
        Optional<Expect> pressure = step.expect().stream()
                .filter(e -> e.kind() == Kind.PRESSURE && e.take() == Expect.Take.STANDING)
                .findFirst();
        Optional<Double> read =
                pressure.flatMap(e -> record.reading(e.instrument())).map(Reading::value);
        if (!knows || load.isEmpty() || read.isEmpty() || step.measured().isPresent()) {
            return planned;
        }
        Expect asked = pressure.get();
        // A pressure that fails fails by itself.
        double by = Math.max(asked.low(), Math.min(asked.high(), read.get())) - asked.value();
        if (Math.abs(by) < NOTHING) {
            return planned;
        }
        List<Expect> expect = new ArrayList<>();
        List<Reason> why = new ArrayList<>(planned.why());
        for (Expect e : step.expect()) {
            double amps = e.kind() == Kind.CURRENT
                    ? e.value() + by * slope(step, load.get(), asked, e, Math.signum(by))
                    : e.value();
            if (amps == e.value() || amps <= 0) {
                expect.add(e);
                continue;
            }
            double share = amps / e.value();
            expect.add(new Expect(
                    e.instrument(), e.kind(), amps, e.low() * share, e.high() * share, e.take(), e.afterS()));
            why.add(Reason.of("run.carried-opened")
                    .name("motor", e.instrument())
                    .name("gauge", asked.instrument())
                    .pressure("read", read.get())
                    .pressure("planned", asked.value()));
        }
        return expect.equals(step.expect()) ? planned : new Shifted(step.reading(expect, 0), why);
    }

    private static Optional<Move> opened(Step step) {
        return step.moves().stream()
                .filter(m -> m.kind() == Move.Kind.OPEN && m.amount() > 0 && m.amount() < 1)
                .reduce((first, last) -> last);
    }

    /** A per Pa, to the side to which the load was opened. */
    private double slope(Step step, Move load, Expect gauge, Expect drive, double side) {
        return answers.slope(step, load.id() + drive.instrument() + side, Map.of(), () -> {
                    Situation as = step.situation();
                    Situation other = as.withOpening(load.id(), Math.min(1, load.amount() * (1 - side * NUDGE)));
                    return answers.solve(as).flatMap(a -> answers.solve(other).map(b -> along(a, b, gauge, drive)));
                })
                .orElse(0.0);
    }

    private double along(SteadyState a, SteadyState b, Expect gauge, Expect drive) {
        String line = unit.testPoint(gauge.instrument()).line();
        double pa = b.pressure(line) - a.pressure(line);
        double amps = b.driver(drive.instrument()).current()
                - a.driver(drive.instrument()).current();
        return Math.abs(pa) < NOTHING ? 0 : amps / pa;
    }
}
