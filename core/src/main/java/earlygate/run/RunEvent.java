package earlygate.run;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import earlygate.judge.ReliefEstimate;
import earlygate.quantity.Keyed;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One thing that happened in a run. Events are only ever appended; a correction is a new event.
 *
 * @param seq 1, 2, 3 in the order of acknowledgement
 * @param by who gave their name for it
 */
public record RunEvent(long seq, Instant at, String by, Body body) {
    /** Of what kind it is, as it is written. */
    public String kind() {
        return Arrays.stream(Body.class.getAnnotation(JsonSubTypes.class).value())
                .filter(t -> t.value() == body.getClass())
                .findFirst()
                .orElseThrow()
                .name();
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Began.class, name = "began"),
        @JsonSubTypes.Type(value = StepDone.class, name = "step-done"),
        @JsonSubTypes.Type(value = Reading.class, name = "reading"),
        @JsonSubTypes.Type(value = Turned.class, name = "turned"),
        @JsonSubTypes.Type(value = Cracked.class, name = "cracked"),
        @JsonSubTypes.Type(value = Point.class, name = "point"),
        @JsonSubTypes.Type(value = LeftOut.class, name = "left-out"),
        @JsonSubTypes.Type(value = Deviation.class, name = "deviation"),
        @JsonSubTypes.Type(value = Again.class, name = "again"),
        @JsonSubTypes.Type(value = Reopened.class, name = "reopened"),
        @JsonSubTypes.Type(value = Struck.class, name = "struck"),
        @JsonSubTypes.Type(value = Handled.class, name = "handled"),
        @JsonSubTypes.Type(value = Stopped.class, name = "stopped"),
        @JsonSubTypes.Type(value = Noted.class, name = "noted"),
        @JsonSubTypes.Type(value = Replaced.class, name = "replaced"),
        @JsonSubTypes.Type(value = HoldOpened.class, name = "hold-opened"),
        @JsonSubTypes.Type(value = Signed.class, name = "signed"),
        @JsonSubTypes.Type(value = Amended.class, name = "amended"),
        @JsonSubTypes.Type(value = Attached.class, name = "attached"),
        @JsonSubTypes.Type(value = TakenOff.class, name = "taken-off"),
        @JsonSubTypes.Type(value = Paused.class, name = "paused"),
        @JsonSubTypes.Type(value = WentOn.class, name = "went-on")
    })
    public sealed interface Body {}

    /**
     * What a run brings along when it begins; only ever the first event.
     *
     * @param rig how rough its practice machine is, as it is written; empty at the machine itself
     * @param screws what earlier runs of the unit learned of its screws
     */
    public record Began(Optional<String> rig, List<ScrewTaught> screws) implements Body {}

    /** Something that belongs to the step at hand. */
    public sealed interface OfStep extends Body {
        String step();
    }

    /** Something that belongs to a curve that is taken point by point. */
    public sealed interface OfCurve extends OfStep {}

    public record StepDone(String step) implements OfStep {}

    /**
     * @param value SI: Pa, A or K by the instrument
     * @param oil oil temperature when it was taken, K; empty when nobody knows
     * @param still whoever typed it said that the needle had stood still; null in logs of earlier versions
     */
    public record Reading(
            String step, String instrument, double value, Source source, OptionalDouble oil, Boolean still)
            implements OfStep {
        public Reading {
            still = still != null && still;
        }

        public Reading(String step, String instrument, double value, Source source, OptionalDouble oil) {
            this(step, instrument, value, source, oil, false);
        }
    }

    /**
     * @param turns clockwise positive; 0 for a screw that was found at its end
     * @param atEnd it came to the end of the screw; null in logs of earlier versions, which didn't know
     */
    public record Turned(String step, String setting, double turns, Boolean atEnd) implements OfStep {
        public Turned {
            atEnd = atEnd != null && atEnd;
        }

        public Turned(String step, String setting, double turns) {
            this(step, setting, turns, false);
        }
    }

    /**
     * @param pressurePa what stood just before the fall
     * @param stands where the relief itself then stood, by how far the gauge fell; empty where nobody could tell
     */
    public record Cracked(
            String step, double pressurePa, Source source, OptionalDouble oil, Optional<ReliefEstimate> stands)
            implements OfStep {
        public Cracked {
            stands = stands == null ? Optional.empty() : stands;
        }

        public Cracked(String step, double pressurePa, Source source, OptionalDouble oil) {
            this(step, pressurePa, source, oil, Optional.empty());
        }
    }

    /**
     * One point of the curve that a step takes. SI.
     *
     * @param signalPa of the gauge that is taken off, for a margin
     * @param back taken while the load was opened again
     */
    public record Point(
            String step,
            double pressurePa,
            double flow,
            OptionalDouble signalPa,
            boolean back,
            Source source,
            OptionalDouble oil)
            implements OfCurve {}

    /** @param point sequence number of a point that stays in the log and is left out of the fit, for this reason */
    public record LeftOut(String step, long point, String reason) implements OfCurve {}

    /**
     * The reading at hand is left as it is, for a reason that is kept and printed.
     *
     * @param releasedBy the second person who lets it stand above the schematic; empty where none is asked
     */
    public record Deviation(String step, String reason, Optional<String> releasedBy) implements OfStep {
        public Deviation {
            releasedBy = releasedBy == null ? Optional.empty() : releasedBy;
        }

        public Deviation(String step, String reason) {
            this(step, reason, Optional.empty());
        }
    }

    /** A step that was done is gone back to; it and what was turned or read after it are to be done again. */
    public record Reopened(String step) implements OfStep {}

    /** @param wrong the sequence number of a reading, turn, crack or note of the step at hand that was a slip */
    public record Struck(String step, long wrong) implements OfStep {}

    /**
     * Something other than a screw was moved.
     *
     * @param action start, stop, open, shift, nut, lock-out, suction, fill, rotation or pass
     * @param to opening from 0 to 1, position, or 1 for tight, open, on and 0 for the other
     */
    public record Handled(String step, String action, String part, String to) implements OfStep {}

    /** A drive stopped by itself; {@code cause} thermal, overload, on-time, suction, case, rotation or burst. */
    public record Stopped(String step, String driver, String cause) implements OfStep {}

    /** @param note key of the label under which it was asked, or empty; {@code text} as written */
    public record Noted(String step, String note, String text) implements OfStep {}

    /** The valve or pump of this screw is another one than before: what was learned of it counts no more. */
    public record Replaced(String step, String setting) implements OfStep {}

    /** The step is begun again; what was read stays in the log. */
    public record Again(String step) implements OfStep {}

    /** @param phase the one whose hold point was opened */
    public record HoldOpened(String phase) implements Body {}

    /** Something said of a record once it is finished. */
    public sealed interface OfRecord extends Body {}

    public enum Role implements Keyed {
        TECHNICIAN,
        /** Another one than who did the work. */
        WITNESS
    }

    /**
     * The finished record is put a name to; with both names it is locked.
     *
     * @param sheet hash of the sheet that the run was planned from; empty where nobody gave it
     */
    public record Signed(Role role, String name, Optional<String> sheet) implements OfRecord {
        public Signed {
            sheet = sheet == null ? Optional.empty() : sheet;
        }
    }

    /** What a locked record is added to: it becomes another revision, and what stood before stays. */
    public record Amended(String text, String by) implements OfRecord {}

    /** Something done with a file that lies beside the record. Its bytes are kept elsewhere, and known by their hash. */
    public sealed interface OfFiles extends Body {}

    /**
     * A photograph or another file is laid beside the record.
     *
     * @param type media type, by what is in it
     * @param size bytes
     * @param hash SHA-256 of the bytes, hex
     * @param step at which it was; empty where none was at hand
     */
    public record Attached(String name, String type, long size, String hash, Optional<String> step) implements OfFiles {
        public Attached {
            step = step == null ? Optional.empty() : step;
        }
    }

    /** @param file sequence number of the event with which it was attached; that stays in the log */
    public record TakenOff(long file) implements OfFiles {}

    /** The run is left for a while, wherever it stands; {@code reason} may be empty. */
    public record Paused(String reason) implements Body {}

    /** The end of a pause. */
    public record WentOn() implements Body {}

    public enum Source implements Keyed {
        /** From the live gauge, settled. */
        LIVE,
        /** Read off a dial and typed. */
        TYPED,
        /** Tapped by ear or eye. */
        TAPPED
    }
}
