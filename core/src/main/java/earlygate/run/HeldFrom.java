package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.run.Carry.Shifted;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A line that is shut in is judged by how far it falls from where it really began: an accumulator may stand above what
 * limits its pump by now.
 */
final class HeldFrom {
    /** By gauge, Pa. */
    private final Map<String, Double> began = new HashMap<>();

    void learn(Step step, StepRecord record) {
        if (holds(step) && record.isDone()) {
            step.expect().stream()
                    .filter(e -> e.take() == Expect.Take.STANDING)
                    .forEach(e -> record.reading(e.instrument()).ifPresent(r -> began.put(e.instrument(), r.value())));
        }
    }

    Shifted into(Shifted end) {
        Step step = end.step();
        Amount planned = step.why().amounts().get("from");
        if (!holds(step) || planned == null) {
            return end;
        }
        List<Expect> expect = new ArrayList<>();
        List<Reason> why = new ArrayList<>(end.why());
        for (Expect e : step.expect()) {
            Double from = began.get(e.instrument());
            if (e.take() != Expect.Take.AFTER || from == null) {
                expect.add(e);
                continue;
            }
            double by = from - planned.si();
            expect.add(new Expect(
                    e.instrument(),
                    e.kind(),
                    Math.max(0, e.value() + by),
                    Math.max(0, e.low() + by),
                    e.high() + by,
                    e.take(),
                    e.afterS()));
            why.add(Reason.of("run.carried-hold")
                    .name("gauge", e.instrument())
                    .pressure("from", from)
                    .pressure("planned", planned.si()));
        }
        return new Shifted(step.reading(expect, 0), why);
    }

    private static boolean holds(Step step) {
        return step.procedure().filter(p -> p.kind() == Procedure.Kind.HOLD).isPresent();
    }
}
