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
 * nobody wrote down, or not as a figure, says nothing and holds nobody up.
 *
 * @param grade CANNOT_TELL while it is not written, or is no figure
 */
record FiguresNoted(Note note, Grade grade, Reason said) {
    boolean isWritten() {
        return !said.code().endsWith("-not");
    }

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
        Optional<String> text = record.note(note.label().code()).map(n -> n.text());
        OptionalDouble written = text.map(note::value).orElse(OptionalDouble.empty());
        Reason about = Reason.of("noted." + note.key() + (text.isEmpty() ? "-not" : ""))
                .with("expected", expected)
                .with("low", low)
                .with("high", high);
        if (written.isEmpty()) {
            return Optional.of(new FiguresNoted(
                    note,
                    Grade.CANNOT_TELL,
                    text.map(t -> Reason.of("noted.no-figure").name("text", t)).orElse(about)));
        }
        double value = written.getAsDouble();
        boolean good = value >= low.si() && value <= high.si();
        return Optional.of(new FiguresNoted(
                note, good ? Grade.PASS : Grade.FAIL, about.with("measured", new Amount(value, expected.kind()))));
    }
}
