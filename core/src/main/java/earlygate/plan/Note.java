package earlygate.plan;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What a step has written down that no gauge tells, and what may not stand when it is left. */
public enum Note implements Keyed {
    LEVEL,
    CLEANLINESS,
    INDICATOR("green", "yellow", "red"),
    RESTRICTION("clear", "restricted"),
    SUPPLY,
    FREQUENCY,
    ROTATION("with-the-arrow", "against-the-arrow"),
    LEAKS("none", "found"),
    /** Of an engine, rev/min: it has no ammeter that would tell what it does without load. */
    NO_LOAD_SPEED,
    /** Which one stands in the line, or that none is at hand. */
    FLOW_METER,
    PRECHARGE,
    CHARGE_TIME,
    REST_TIME,
    NEXT_CHECK;

    private static final String PREFIX = "note.";

    private final List<String> choices;

    Note(String... choices) {
        this.choices = List.of(choices);
    }

    /** Its label. */
    public Reason label() {
        return Reason.of(PREFIX + key());
    }

    /** What it is one of, by key; empty where it is written freely. */
    public List<String> choices() {
        return choices;
    }

    public static Optional<Note> of(String code) {
        return Stream.of(values()).filter(n -> code.equals(PREFIX + n.key())).findFirst();
    }

    /** Why nobody goes on past what was written; empty where one may. */
    public Optional<Reason> stops(String written) {
        boolean stops = (this == ROTATION || this == LEAKS) && written.equals(choices.get(1));
        return stops ? Optional.of(Reason.of("run.need." + key())) : Optional.empty();
    }
}
