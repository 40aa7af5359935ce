package earlygate.drawing;

import java.util.List;
import java.util.OptionalDouble;

/** What a hand points out on a drawing. Names are ids of the unit file. */
public sealed interface Change {
    /**
     * A new part on a line: home to tank, or to a new line behind it.
     *
     * @param bar what it is set or filled to, where it has such a thing
     */
    record Put(String type, String line, OptionalDouble bar) implements Change {}

    /** One more of a part, with what hangs behind it alone. */
    record Second(String part) implements Change {}

    /** Another kind of part between the same lines. */
    record Replace(String part, String type, OptionalDouble bar) implements Change {}

    /** @param end the key of the end that goes to another line, as {@code inlet} or {@code loadSense.signal} */
    record Move(String part, String end, String line) implements Change {}

    /** @param join whether the line behind it becomes one with the line before it */
    record Remove(String part, boolean join) implements Change {}

    /**
     * A part into a line: some ends stand behind it from then on.
     *
     * @param behind ends as {@code C1.cap}
     */
    record Split(String line, String type, List<String> behind, OptionalDouble bar) implements Change {}

    /** Two lines become one. */
    record Merge(String line, String into) implements Change {}

    /**
     * A pump gets a control.
     *
     * @param control its key in the unit file, as {@code compensator}
     * @param bar what it is set to
     */
    record Fit(String pump, String control, OptionalDouble bar) implements Change {}

    record Unfit(String pump, String control) implements Change {}

    /** A pump is driven by another prime mover. */
    record Drive(String pump, String driver) implements Change {}

    record Rename(String id, String to) implements Change {}
}
