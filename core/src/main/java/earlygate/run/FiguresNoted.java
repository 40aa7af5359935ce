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
    /** Ends the code of what is said while it is not written. */
    private static final String NOT = "-not";

    boolean isWritten() {
        return !said.code().endsWith(NOT);
    }

    static List<FiguresNoted> of(Step step, StepRecord record) {
        return step.notes().stream()
                .flatMap(asked -> Note.of(asked.code()).stream()
                        .filter(n -> n.figure().isPresent())
                        .flatMap(n -> of(n, asked.amounts(), record).stream()))
                .toList();
    }

    private static Optional<FiguresNoted> of(Note note, Map<String, Amount> model, StepRecord record) {
        if (!model.containsKey(Note.EXPECTED)) {
            return Optional.empty();
        }
        Optional<String> text = record.note(note.label().code()).map(n -> n.text());
        OptionalDouble written = written(note, record);
        OptionalDouble share = share(note, model, record);
        Reason about = Reason.of("noted." + note.key() + (text.isEmpty() || share.isEmpty() ? NOT : ""));
        for (String of : List.of(Note.EXPECTED, Note.LOW, Note.HIGH)) {
            about = about.with(of, times(share.orElse(1), model.get(of)));
        }
        if (written.isEmpty() || share.isEmpty()) {
            boolean noFigure = text.isPresent() && written.isEmpty();
            return Optional.of(new FiguresNoted(
                    note,
                    Grade.CANNOT_TELL,
                    noFigure ? Reason.of("noted.no-figure").name("text", text.get()) : about));
        }
        double value = written.getAsDouble();
        Map<String, Amount> band = about.amounts();
        boolean good =
                value >= band.get(Note.LOW).si() && value <= band.get(Note.HIGH).si();
        return Optional.of(new FiguresNoted(
                note,
                good ? Grade.PASS : Grade.FAIL,
                about.with("measured", new Amount(value, note.figure().orElseThrow()))));
    }

    private static OptionalDouble written(Note note, StepRecord record) {
        return record.note(note.label().code()).map(n -> note.value(n.text())).orElse(OptionalDouble.empty());
    }

    /** How much of what the model says the note has that this one is held against; empty while nobody wrote that, or nothing flowed. */
    private static OptionalDouble share(Note note, Map<String, Amount> model, StepRecord record) {
        if (note.against().isEmpty()) {
            return OptionalDouble.of(1);
        }
        OptionalDouble against = written(note.against().get(), record);
        return against.isPresent() && against.getAsDouble() > 0
                ? OptionalDouble.of(
                        against.getAsDouble() / model.get(Note.AGAINST).si())
                : OptionalDouble.empty();
    }

    private static Amount times(double share, Amount of) {
        return new Amount(share * of.si(), of.kind());
    }
}
