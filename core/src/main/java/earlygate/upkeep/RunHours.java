package earlygate.upkeep;

import earlygate.upkeep.Entry.Counter;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The machine's counter over the days. */
record RunHours(List<Entry> read) {
    /** @param entries oldest first */
    static RunHours of(List<Entry> entries) {
        return new RunHours(
                entries.stream().filter(e -> e.body() instanceof Counter).toList());
    }

    private static double hours(Entry e) {
        return ((Counter) e.body()).hours();
    }

    OptionalDouble now() {
        return read.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(hours(last()));
    }

    Optional<LocalDate> lastOn() {
        return read.isEmpty() ? Optional.empty() : Optional.of(last().on());
    }

    private Entry last() {
        return read.get(read.size() - 1);
    }

    /** What it stood at on a day: read last until then, or first after it. */
    OptionalDouble on(LocalDate day) {
        return read.stream()
                .filter(e -> !e.on().isAfter(day))
                .reduce((a, b) -> b)
                .or(() -> read.stream().findFirst())
                .map(e -> OptionalDouble.of(hours(e)))
                .orElse(OptionalDouble.empty());
    }

    /** Hours a day between the first reading and the last; empty where they tell none. */
    OptionalDouble perDay() {
        if (read.size() < 2) {
            return OptionalDouble.empty();
        }
        long days = ChronoUnit.DAYS.between(read.get(0).on(), last().on());
        double run = hours(last()) - hours(read.get(0));
        return days > 0 && run > 0 ? OptionalDouble.of(run / days) : OptionalDouble.empty();
    }

    /** About when it will stand at so many; the day of the last reading where it does already. */
    Optional<LocalDate> when(double hours) {
        if (read.isEmpty()) {
            return Optional.empty();
        }
        double left = hours - hours(last());
        if (left <= 0) {
            return Optional.of(last().on());
        }
        OptionalDouble rate = perDay();
        return rate.isPresent()
                ? Optional.of(last().on().plusDays((long) Math.min(36_500, Math.ceil(left / rate.getAsDouble()))))
                : Optional.empty();
    }
}
