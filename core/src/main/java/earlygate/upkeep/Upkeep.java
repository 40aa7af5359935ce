package earlygate.upkeep;

import earlygate.explain.Reason;
import earlygate.unit.PowerUnit;
import earlygate.upkeep.Entry.Done;
import earlygate.upkeep.Entry.Indicator;
import earlygate.upkeep.Entry.Sample;
import earlygate.upkeep.Entry.Schedule;
import earlygate.upkeep.Entry.State;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * A machine's upkeep as its entries leave it.
 *
 * @param schedule the last that was written; empty before the upkeep was begun
 * @param hours on the counter when it was read last, {@code hoursOn}
 * @param due every task, the most pressing first; empty before it was begun
 * @param samples oldest first
 */
public record Upkeep(
        Optional<Schedule> schedule,
        OptionalDouble hours,
        Optional<LocalDate> hoursOn,
        OptionalDouble hoursPerDay,
        List<Due> due,
        List<Judged> samples) {
    /** An oil sample and what it tells. */
    public record Judged(Entry entry, Sample sample, SampleCheck check) {}

    /** What shows that the settings must be checked again: a screw that creeps out, a pump that wears; on a day. */
    public record Sign(LocalDate on, Reason why) {}

    /**
     * @param entries in any order
     * @param checked when the settings were last commissioned; {@code signs} by condition
     */
    public static Upkeep of(
            PowerUnit unit, List<Entry> entries, Optional<LocalDate> checked, List<Sign> signs, LocalDate today) {
        List<Entry> sorted =
                entries.stream().sorted(Comparator.comparing(Entry::on)).toList();
        RunHours hours = RunHours.of(sorted);
        List<Judged> samples = judged(unit, sorted);
        List<Entry> schedules =
                sorted.stream().filter(e -> e.body() instanceof Schedule).toList();
        // It began with the first; the last says how it is kept now.
        Optional<LocalDate> began = schedules.stream().findFirst().map(Entry::on);
        Optional<Schedule> schedule = last(schedules, e -> true).map(e -> (Schedule) e.body());
        List<Due> due = began.map(day -> new Fold(
                                unit, sorted, hours, samples, checked, signs, today, day, schedule.orElseThrow())
                        .due())
                .orElse(List.of());
        return new Upkeep(schedule, hours.now(), hours.lastOn(), hours.perDay(), due, samples);
    }

    private static Optional<Entry> last(List<Entry> sorted, Predicate<Entry> which) {
        return sorted.stream().filter(which).reduce((a, b) -> b);
    }

    private static boolean isDone(Entry e, Task task) {
        return e.body() instanceof Done d && d.task() == task;
    }

    private static List<Judged> judged(PowerUnit unit, List<Entry> sorted) {
        List<Judged> judged = new ArrayList<>();
        OptionalDouble firstAcid = OptionalDouble.empty();
        for (Entry e : sorted) {
            if (isDone(e, Task.OIL_CHANGE)) {
                firstAcid = OptionalDouble.empty();
            } else if (e.body() instanceof Sample s) {
                judged.add(new Judged(e, s, SampleCheck.of(s, unit.fluid(), firstAcid)));
                firstAcid = firstAcid.isPresent() ? firstAcid : s.acid();
            }
        }
        return judged;
    }

    /** The tasks, each at its turn. @param began the day from which what was never done is counted */
    private record Fold(
            PowerUnit unit,
            List<Entry> sorted,
            RunHours hours,
            List<Judged> samples,
            Optional<LocalDate> checked,
            List<Sign> signs,
            LocalDate today,
            LocalDate began,
            Schedule schedule) {

        private List<Due> due() {
            return Arrays.stream(Task.values())
                    .map(this::due)
                    .sorted(Comparator.comparing(Due::state).thenComparing(d -> d.on().orElse(LocalDate.MAX)))
                    .toList();
        }

        private Due due(Task task) {
            Optional<LocalDate> last = lastDone(task);
            boolean byHours = schedule.school() == School.BY_HOURS && schedule.hours(task) > 0;
            Due planned = byHours ? byHours(task, last) : byDays(task, last);
            // A sign overtakes the plan of either school: hours don't make a clogged filter good.
            return sign(task, last)
                    .filter(s -> planned.on().filter(on -> on.isBefore(s.on())).isEmpty())
                    .map(s -> Due.at(task, last, s.on(), today, schedule.days(task), s.why()))
                    .orElse(planned);
        }

        private Due byDays(Task task, Optional<LocalDate> last) {
            int days = schedule.days(task);
            return days == 0
                    ? new Due(task, last, Optional.empty(), Due.State.WAITS, Reason.of("upkeep.nothing-shows-it"))
                    : Due.at(
                            task,
                            last,
                            last.orElse(began).plusDays(days),
                            today,
                            days,
                            Reason.of("upkeep.every-days").number("days", days));
        }

        private Optional<LocalDate> lastDone(Task task) {
            Optional<LocalDate> done = last(
                            sorted,
                            e -> isDone(e, task)
                                    || task == Task.SAMPLE && e.body() instanceof Sample
                                    || task == Task.INDICATOR && e.body() instanceof Indicator)
                    .map(Entry::on);
            return task != Task.CHECK
                    ? done
                    : Stream.concat(done.stream(), checked.stream()).max(Comparator.naturalOrder());
        }

        private Due byHours(Task task, Optional<LocalDate> last) {
            OptionalDouble then = hours.on(last.orElse(began));
            if (then.isEmpty()) {
                return new Due(task, last, Optional.empty(), Due.State.UNKNOWN, Reason.of("upkeep.no-counter"));
            }
            double at = then.getAsDouble() + schedule.hours(task);
            Reason said = Reason.of("upkeep.at-hours")
                    .number("at", at)
                    .number("now", hours.now().orElseThrow());
            return hours.when(at)
                    .map(on -> Due.at(task, last, on, today, 0, said))
                    .orElseGet(() -> new Due(task, last, Optional.empty(), Due.State.FINE, said));
        }

        /** What shows that a task must be done, written down after it was done last. */
        private Optional<Sign> sign(Task task, Optional<LocalDate> last) {
            return switch (task) {
                case CHECK ->
                    signs.stream()
                            .filter(s -> last.filter(d -> !s.on().isAfter(d)).isEmpty())
                            .min(Comparator.comparing(Sign::on));
                case OIL_CHANGE ->
                    lastSample(task).filter(j -> j.check().spent()).map(j -> sign("upkeep.oil-spent", j));
                case FILTER_CHANGE ->
                    clogged()
                            .or(() -> lastSample(task)
                                    .filter(j -> j.check().dirty())
                                    .map(j -> sign("upkeep.oil-dirty", j)));
                case INDICATOR -> redWhileCold();
                default -> Optional.empty();
            };
        }

        private static Sign sign(String code, Judged j) {
            return new Sign(
                    j.entry().on(), Reason.of(code).name("on", j.entry().on().toString()));
        }

        /** What was written after the task was done last: on the same day the order in which it was written counts. */
        private List<Entry> since(Task task) {
            int done = -1;
            for (int i = 0; i < sorted.size(); i++) {
                done = isDone(sorted.get(i), task) ? i : done;
            }
            return sorted.subList(done + 1, sorted.size());
        }

        private Optional<Judged> lastSample(Task task) {
            List<Entry> since = since(task);
            return samples.stream().filter(j -> since.contains(j.entry())).reduce((a, b) -> b);
        }

        /** Red with warm oil: of each filter its last reading counts. */
        private Optional<Sign> clogged() {
            return lastIndicators(since(Task.FILTER_CHANGE))
                    .filter(e -> red(e) && warm(e))
                    .findFirst()
                    .map(e -> new Sign(
                            e.on(),
                            Reason.of("upkeep.filter-red")
                                    .name("filter", ((Indicator) e.body()).filter())
                                    .name("on", e.on().toString())));
        }

        /** Cold oil drives every indicator up: it tells nothing and is read again at temperature. */
        private Optional<Sign> redWhileCold() {
            return lastIndicators(sorted)
                    .filter(e -> red(e) && !warm(e))
                    .findFirst()
                    .map(e -> new Sign(
                            e.on(),
                            Reason.of("upkeep.filter-cold")
                                    .name("filter", ((Indicator) e.body()).filter())
                                    .temperature("oil", ((Indicator) e.body()).oil())
                                    .temperature("warm", unit.fluid().bandLow())));
        }

        private static Stream<Entry> lastIndicators(List<Entry> of) {
            Map<String, Entry> last = new LinkedHashMap<>();
            of.forEach(e -> {
                if (e.body() instanceof Indicator i) {
                    last.put(i.filter(), e);
                }
            });
            return last.values().stream();
        }

        private static boolean red(Entry e) {
            return ((Indicator) e.body()).state() == State.RED;
        }

        private boolean warm(Entry e) {
            return ((Indicator) e.body()).oil() >= unit.fluid().bandLow();
        }
    }
}
