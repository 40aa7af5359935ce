package earlygate.upkeep;

import earlygate.quantity.Keyed;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What was written down of a machine's upkeep on a day. */
public record Entry(LocalDate on, String by, Body body) {
    public sealed interface Body {}

    /**
     * How it is kept from that day on.
     *
     * @param days by task, where it is done at other intervals than {@link Task#days()}; {@code hours} likewise
     */
    public record Schedule(School school, Map<Task, Integer> days, Map<Task, Integer> hours) implements Body {
        public int days(Task task) {
            return days.getOrDefault(task, task.days());
        }

        public int hours(Task task) {
            return hours.getOrDefault(task, task.hours());
        }
    }

    /** @param hours on the machine's counter */
    public record Counter(double hours) implements Body {}

    public record Done(Task task, Optional<String> note) implements Body {}

    /**
     * What the laboratory says of the oil; at least one of it.
     *
     * @param waterPpm parts per million by mass
     * @param viscosity40 m2/s
     * @param acid mg KOH per g
     */
    public record Sample(
            Optional<Cleanliness> cleanliness, OptionalDouble waterPpm, OptionalDouble viscosity40, OptionalDouble acid)
            implements Body {}

    /** @param oil K, when it was read; a cold oil drives every indicator up */
    public record Indicator(String filter, State state, double oil) implements Body {}

    public enum State implements Keyed {
        GREEN,
        YELLOW,
        RED
    }
}
