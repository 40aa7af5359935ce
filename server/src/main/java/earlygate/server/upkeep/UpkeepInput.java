package earlygate.server.upkeep;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.server.api.Input;
import earlygate.server.words.ApiProblem;
import earlygate.unit.Filter;
import earlygate.unit.PowerUnit;
import earlygate.upkeep.Cleanliness;
import earlygate.upkeep.Entry;
import earlygate.upkeep.School;
import earlygate.upkeep.Task;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

/** Reads what is to be written down, or says what is wrong with it. */
final class UpkeepInput {
    private static final int LONGEST_NOTE = 400;
    private static final int MOST_DAYS = 3650;
    private static final int MOST_HOURS = 100_000;

    private UpkeepInput() {}

    /**
     * @param kind counter, done, sample, indicator or schedule
     * @param on as 2026-05-31; left out for today
     * @param hours on the counter
     * @param viscosity40 mm2/s; {@code acid} mg KOH/g
     * @param state green, yellow or red; {@code oilC} when it was read
     * @param days by task, {@code everyHours} likewise; those left out stay as the pack has them
     */
    record UpkeepRequest(
            String kind,
            String on,
            String by,
            Double hours,
            String task,
            String note,
            String cleanliness,
            Double waterPpm,
            Double viscosity40,
            Double acid,
            String filter,
            String state,
            Double oilC,
            String school,
            Map<String, Double> days,
            Map<String, Double> everyHours) {}

    /** @throws ApiProblem 422 that names the place, the value and what would fit */
    static Entry read(UpkeepRequest r, LocalDate today) {
        LocalDate on = r.on() == null ? today : Input.day("on", r.on(), today);
        Entry.Body body = switch (String.valueOf(r.kind())) {
            case "counter" -> new Entry.Counter(needed("hours", r.hours(), 0, 1e6));
            case "done" -> new Entry.Done(key(Task.class, "task", r.task()), note(r.note()));
            case "sample" -> sample(r);
            case "indicator" -> indicator(r);
            case "schedule" ->
                new Entry.Schedule(
                        key(School.class, "school", r.school()),
                        intervals("days", r.days(), MOST_DAYS),
                        intervals("everyHours", r.everyHours(), MOST_HOURS));
            default ->
                throw ApiProblem.badInput("kind", Reason.of("upkeep.kind").name("value", String.valueOf(r.kind())));
        };
        return new Entry(on, Input.who("by", r.by()), body);
    }

    private static double needed(String path, Double given, double min, double max) {
        return Input.inRange(path, Input.required(path, given), 0, min, max);
    }

    private static OptionalDouble maybe(String path, Double given, double min, double max) {
        return given == null ? OptionalDouble.empty() : OptionalDouble.of(Input.inRange(path, given, 0, min, max));
    }

    private static <E extends Enum<E> & Keyed> E key(Class<E> of, String path, String given) {
        try {
            return Keyed.of(of, String.valueOf(given));
        } catch (IllegalArgumentException e) {
            String fits = Arrays.stream(of.getEnumConstants()).map(Keyed::key).collect(Collectors.joining(", "));
            throw ApiProblem.badInput(
                    path,
                    Reason.of("file.not-one-of")
                            .name("value", String.valueOf(given))
                            .name("fits", fits));
        }
    }

    private static Optional<String> note(String given) {
        String note = given == null ? "" : given.strip();
        if (note.length() > LONGEST_NOTE) {
            throw ApiProblem.badInput(
                    "note", Reason.of("units.text").name("field", "note").number("limit", LONGEST_NOTE));
        }
        return Optional.of(note).filter(n -> !n.isEmpty());
    }

    private static Entry.Sample sample(UpkeepRequest r) {
        boolean coded = r.cleanliness() != null && !r.cleanliness().isBlank();
        Optional<Cleanliness> code = coded ? Cleanliness.parse(r.cleanliness()) : Optional.empty();
        if (coded && code.isEmpty()) {
            throw ApiProblem.badInput("cleanliness", Reason.of("upkeep.no-code").name("value", r.cleanliness()));
        }
        Entry.Sample sample = new Entry.Sample(
                code,
                maybe("waterPpm", r.waterPpm(), 0, 1e5),
                r.viscosity40() == null
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(needed("viscosity40", r.viscosity40(), 1, 5000) * 1e-6),
                maybe("acid", r.acid(), 0, 50));
        if (code.isEmpty()
                && sample.waterPpm().isEmpty()
                && sample.viscosity40().isEmpty()
                && sample.acid().isEmpty()) {
            throw ApiProblem.badInput("cleanliness", Reason.of("upkeep.empty-sample"));
        }
        return sample;
    }

    /** Many a schematic leaves a return filter out: any name will do. */
    private static Entry.Indicator indicator(UpkeepRequest r) {
        String filter = Input.name("filter", Input.required("filter", r.filter()));
        if (filter.isEmpty()) {
            throw ApiProblem.badInput("filter", Reason.of("upkeep.no-filter"));
        }
        return new Entry.Indicator(
                filter, key(Entry.State.class, "state", r.state()), needed("oilC", r.oilC(), -40, 150) + ZERO_C);
    }

    static List<String> filters(PowerUnit unit) {
        return unit.components().stream()
                .filter(Filter.class::isInstance)
                .map(c -> c.id())
                .toList();
    }

    private static Map<Task, Integer> intervals(String path, Map<String, Double> given, int most) {
        Map<Task, Integer> intervals = new EnumMap<>(Task.class);
        if (given != null) {
            given.forEach((task, every) -> intervals.put(key(Task.class, path + "." + task, task), (int)
                    Math.round(needed(path + "." + task, every, 1, most))));
        }
        return intervals;
    }
}
