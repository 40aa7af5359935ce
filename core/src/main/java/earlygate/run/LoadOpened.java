package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.MeasuredOffsets.AdjustedStep;
import earlygate.run.RunEvent.Reading;
import earlygate.solve.LoadOpening;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;

/**
 * A hand opens a load until a gauge shows about what the step asks, and a coarse handle comes no nearer. What the drive
 * draws is then expected at the pressure that was read, by the model with the load opened so far. Its band stays the same
 * share of it, so a wide band of the pressure makes none of the current.
 */
final class LoadOpened {
    private static final int SINCE = 10;
    /** Of a pressure, how near the model must come to it. */
    private static final double NEAR = 0.01;
    /** Pa: less than any gauge shows. */
    private static final double NOTHING = 5000;

    private final PowerUnit unit;
    private final boolean knows;
    private final ModelCache answers;

    /** @param plan of an earlier edition judges as it did when it was walked */
    LoadOpened(PowerUnit unit, Plan plan, ModelCache answers) {
        this.unit = unit;
        this.knows = plan.edition() >= SINCE;
        this.answers = answers;
    }

    /** The step as its own reading of the pressure has it; itself while that was not read, or where no hand opens a load. */
    AdjustedStep applyTo(AdjustedStep planned, StepRecord record) {
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
        double reads = Math.max(asked.low(), Math.min(asked.high(), read.get()));
        if (Math.abs(reads - asked.value()) < NOTHING) {
            return planned;
        }
        List<Expect> expect = new ArrayList<>();
        List<Reason> why = new ArrayList<>(planned.why());
        for (Expect e : step.expect()) {
            Optional<Double> amps = e.kind() == Kind.CURRENT && e.value() > 0
                    ? amps(step, load.get(), asked, reads, e.instrument())
                    : Optional.empty();
            if (amps.isEmpty()) {
                expect.add(e);
                continue;
            }
            double share = amps.get() / e.value();
            expect.add(new Expect(
                    e.instrument(), e.kind(), amps.get(), e.low() * share, e.high() * share, e.take(), e.afterS()));
            why.add(Reason.of("run.carried-opened")
                    .name("motor", e.instrument())
                    .name("gauge", asked.instrument())
                    .pressure("read", read.get())
                    .pressure("planned", asked.value()));
        }
        return expect.equals(step.expect()) ? planned : new AdjustedStep(step.reading(expect, 0), why);
    }

    private static Optional<Move> opened(Step step) {
        return step.moves().stream()
                .filter(m -> m.kind() == Move.Kind.OPEN && m.amount() > 0 && m.amount() < 1)
                .reduce((first, last) -> last);
    }

    /** What the model has a drive draw with the load opened until the gauge shows so much, A; empty where it never does. */
    private Optional<Double> amps(Step step, Move load, Expect gauge, double reads, String drive) {
        return answers.drawn(
                step,
                drive,
                reads,
                () -> at(step, load, gauge, reads).map(s -> s.driver(drive).current()));
    }

    private Optional<SteadyState> at(Step step, Move load, Expect gauge, double reads) {
        String line = unit.testPoint(gauge.instrument()).line();
        DoubleFunction<Optional<SteadyState>> opened =
                opening -> answers.model().solve(step.situation().withOpening(load.id(), opening));
        return LoadOpening.until(opened, line, reads)
                .flatMap(opened::apply)
                .filter(s -> Math.abs(s.pressure(line) - reads) < NEAR * reads);
    }
}
