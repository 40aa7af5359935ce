package earlygate.run;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.util.OptionalDouble;

/**
 * One thing that happened in a run. Events are only ever appended; a correction is a new event.
 *
 * @param seq 1, 2, 3 in the order of acknowledgement
 * @param by who gave their name for it
 */
public record RunEvent(long seq, Instant at, String by, Body body) {
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = StepDone.class, name = "step-done"),
        @JsonSubTypes.Type(value = Reading.class, name = "reading"),
        @JsonSubTypes.Type(value = Turned.class, name = "turned"),
        @JsonSubTypes.Type(value = Cracked.class, name = "cracked"),
        @JsonSubTypes.Type(value = Deviation.class, name = "deviation"),
        @JsonSubTypes.Type(value = Again.class, name = "again"),
        @JsonSubTypes.Type(value = HoldOpened.class, name = "hold-opened")
    })
    public sealed interface Body {}

    /** Something that belongs to the step at hand. */
    public sealed interface OfStep extends Body {
        String step();
    }

    public record StepDone(String step) implements OfStep {}

    /**
     * @param value SI: Pa, A or K by the instrument
     * @param oil oil temperature when it was taken, K; empty when nobody knows
     */
    public record Reading(String step, String instrument, double value, Source source, OptionalDouble oil)
            implements OfStep {}

    /** @param turns clockwise positive */
    public record Turned(String step, String setting, double turns) implements OfStep {}

    /** @param pressurePa what stood just before the fall */
    public record Cracked(String step, double pressurePa, Source source, OptionalDouble oil) implements OfStep {}

    /** The step is left as it is, for a reason that is kept and printed. */
    public record Deviation(String step, String reason) implements OfStep {}

    /** The step is begun again; what was read stays in the log. */
    public record Again(String step) implements OfStep {}

    /** @param phase the one whose hold point was opened */
    public record HoldOpened(String phase) implements Body {}

    public enum Source {
        /** From the live gauge, settled. */
        LIVE,
        /** Read off a dial and typed. */
        TYPED,
        /** Tapped by ear or eye. */
        TAPPED
    }
}
