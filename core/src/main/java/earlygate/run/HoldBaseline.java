package earlygate.run;

import earlygate.curve.Viscosity;
import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.run.MeasuredOffsets.AdjustedStep;
import earlygate.run.RunEvent.Reading;
import earlygate.unit.Fluid;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.BiFunction;

/**
 * A line that is shut in is judged by how far it falls from where it really began, with oil as warm as it then was: an
 * accumulator may stand above what limits its pump by now, and thin oil leaks faster. Through laminar leaks p falls by the
 * same share in the same time, {@code p/p0 = exp(-k t nu40/nu)}.
 */
final class HoldBaseline {
    private record Start(double pressure, OptionalDouble oil) {}

    private final Fluid fluid;
    private final BiFunction<RunEvent, String, OptionalDouble> oilAt;
    private final Map<String, Start> began = new HashMap<>();

    /** @param oilAt K, known for an event of a step */
    HoldBaseline(Fluid fluid, BiFunction<RunEvent, String, OptionalDouble> oilAt) {
        this.fluid = fluid;
        this.oilAt = oilAt;
    }

    void record(Step step, StepRecord record) {
        if (holds(step) && record.isDone()) {
            step.expect().stream()
                    .filter(e -> e.take() == Expect.Take.STANDING)
                    .forEach(e -> record.readingEvent(e.instrument())
                            .ifPresent(r -> began.put(
                                    e.instrument(),
                                    new Start(((Reading) r.body()).value(), oilAt.apply(r, step.id())))));
        }
    }

    AdjustedStep applyTo(AdjustedStep end) {
        Step step = end.step();
        Amount planned = step.why().amounts().get("from");
        if (!holds(step) || planned == null) {
            return end;
        }
        List<Expect> expect = new ArrayList<>();
        List<Reason> why = new ArrayList<>(end.why());
        for (Expect e : step.expect()) {
            Start from = began.get(e.instrument());
            if (e.take() != Expect.Take.AFTER || from == null) {
                expect.add(e);
                continue;
            }
            // Begun low, it has less to lose: the room below shrinks with it, or a line that hardly held at all would
            // pass.
            double share = from.pressure() / planned.si();
            double left = from.pressure() * Math.pow(e.value() / planned.si(), thinner(from.oil()));
            expect.add(new Expect(
                    e.instrument(),
                    e.kind(),
                    left,
                    Math.max(0, left - share * (e.value() - e.low())),
                    from.pressure() + (e.high() - planned.si()),
                    e.take(),
                    e.afterS()));
            why.add(Reason.of("run.carried-hold")
                    .name("gauge", e.instrument())
                    .pressure("from", from.pressure())
                    .pressure("planned", planned.si()));
        }
        return new AdjustedStep(step.reading(expect, 0), why);
    }

    /** How much faster it leaks than the plan has it, with oil in the middle of its band. */
    private double thinner(OptionalDouble oil) {
        Viscosity nu = Viscosity.of(fluid.viscosity40(), fluid.viscosityIndex());
        return oil.isEmpty() ? 1 : nu.at(fluid.middleOfBand()) / nu.at(oil.getAsDouble());
    }

    private static boolean holds(Step step) {
        return step.procedure().filter(p -> p.kind() == Procedure.Kind.HOLD).isPresent();
    }
}
