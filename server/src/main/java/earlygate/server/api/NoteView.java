package earlygate.server.api;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Note;
import earlygate.server.words.Words;
import java.util.List;
import java.util.Optional;

/**
 * What a step asks to be written down.
 *
 * @param key under which it is noted
 * @param choices what it is one of; empty where it is written freely
 * @param figure time, flow or pressure, where it is a figure; empty where it is words
 * @param timed whether a clock is looked at for it
 * @param unit that a bare number gets before it is noted; empty where it needs none
 */
public record NoteView(String key, String label, List<Choice> choices, String figure, boolean timed, String unit) {
    /** @param text what is noted; {@code label} how it is said */
    public record Choice(String text, String label) {}

    static NoteView of(Reason note, Words words) {
        List<Choice> choices = Note.of(note.code()).map(Note::choices).orElse(List.of()).stream()
                .map(c -> new Choice(c, said(c, words)))
                .toList();
        Optional<Kind> figure = Note.of(note.code()).flatMap(Note::figure);
        return new NoteView(
                note.code(),
                words.say(note),
                choices,
                figure.map(Kind::key).orElse(""),
                Note.of(note.code()).filter(Note::isTimed).isPresent(),
                figure.map(k -> unit(k, words)).orElse(""));
    }

    private static String unit(Kind figure, Words words) {
        return switch (figure) {
            case PRESSURE -> words.chosen().label();
            case FLOW -> words.flowUnit();
            default -> "";
        };
    }

    private static String said(String choice, Words words) {
        return words.say(Reason.of("note.choice." + choice));
    }

    /** What was noted, as it is said. */
    public static String text(String key, String noted, Words words) {
        return Note.of(key)
                .filter(n -> n.choices().contains(noted))
                .map(n -> said(noted, words))
                .orElse(noted);
    }
}
