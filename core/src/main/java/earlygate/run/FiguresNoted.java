package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Note;
import earlygate.plan.Step;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A figure that a step has written down, taken by the clock or with a can, against what the model expects of it. What
 * nobody wrote down says nothing, and holds nobody up.
 *
 * @param grade CANNOT_TELL while it is not written
 */
record FiguresNoted(Note note, Grade grade, Reason said) {
    static List<FiguresNoted> of(Step step, StepRecord record) {
        return step.notes().stream()
                .flatMap(asked -> Note.of(asked.code()).stream()
                        .filter(n -> n.figure().isPresent())
                        .flatMap(n -> of(n, asked.amounts(), record).stream()))
                .toList();
    }

    private static Optional<FiguresNoted> of(Note note, Map<String, Amount> model, StepRecord record) {
        Amount expected = model.get(Note.EXPECTED);
        if (expected == null) {
            return Optional.empty();
        }
        Amount low = model.get(Note.LOW);
        Amount high = model.get(Note.HIGH);
        OptionalDouble written =
                record.note(note.label().code()).map(n -> note.value(n.text())).orElse(OptionalDouble.empty());
        Reason about = Reason.of("noted." + note.key() + (written.isPresent() ? "" : "-not"))
                .with("expected", expected)
                .with("low", low)
                .with("high", high);
        if (written.isEmpty()) {
            return Optional.of(new FiguresNoted(note, Grade.CANNOT_TELL, about));
        }
        double value = written.getAsDouble();
        boolean good = value >= low.si() && value <= high.si();
        return Optional.of(new FiguresNoted(
                note, good ? Grade.PASS : Grade.FAIL, about.with("measured", new Amount(value, expected.kind()))));
    }
}
