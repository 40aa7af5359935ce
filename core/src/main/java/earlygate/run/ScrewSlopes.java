package earlygate.run;

import earlygate.judge.NextTurn;
import earlygate.judge.Slope;
import earlygate.plan.Goal;
import earlygate.unit.PowerUnit;
import earlygate.unit.Screw;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Stream;

/** What is known of the slope of each screw, Pa per turn, on each gauge by itself: no two gauges teach one slope. */
final class ScrewSlopes {
    /** @param gauge a difference as "GP-GL" */
    record ScrewOnGauge(String setting, String gauge) implements Comparable<ScrewOnGauge> {
        static ScrewOnGauge of(String setting, Goal goal) {
            return new ScrewOnGauge(
                    setting, goal.testPoint() + goal.minus().map(m -> "-" + m).orElse(""));
        }

        @Override
        public int compareTo(ScrewOnGauge o) {
            return Comparator.comparing(ScrewOnGauge::setting)
                    .thenComparing(ScrewOnGauge::gauge)
                    .compare(this, o);
        }
    }

    private final PowerUnit unit;
    private final ModelCache answers;
    /** Turns and readings in one arrangement each. */
    private final Map<ScrewOnGauge, List<List<NextTurn.Reading>>> taught = new TreeMap<>();

    /** What earlier runs learned. */
    private final Map<ScrewOnGauge, ScrewTaught> before = new TreeMap<>();

    ScrewSlopes(PowerUnit unit, ModelCache answers) {
        this.unit = unit;
        this.answers = answers;
    }

    ScrewSlopes copy() {
        ScrewSlopes copy = new ScrewSlopes(unit, answers);
        taught.forEach((on, readings) -> copy.taught.put(on, new ArrayList<>(readings)));
        copy.before.putAll(before);
        return copy;
    }

    void teach(ScrewOnGauge on, List<NextTurn.Reading> readings) {
        if (readings.size() > 1) {
            taught.computeIfAbsent(on, k -> new ArrayList<>()).add(readings);
        }
    }

    void know(ScrewTaught earlier) {
        before.put(new ScrewOnGauge(earlier.setting(), earlier.gauge()), earlier);
    }

    void forget(String setting) {
        before.keySet().removeIf(on -> on.setting().equals(setting));
        taught.keySet().removeIf(on -> on.setting().equals(setting));
    }

    /** What an earlier run learned of a screw, on whichever gauge. */
    Optional<ScrewTaught> before(String setting) {
        return before.values().stream().filter(t -> t.setting().equals(setting)).findFirst();
    }

    /** Learned in this run, or known before it. */
    Stream<ScrewOnGauge> all() {
        return Stream.concat(taught.keySet().stream(), before.keySet().stream()).distinct();
    }

    /** Empty where this run taught nothing on that gauge, but an earlier one did. */
    Optional<ScrewTaught> untouched(ScrewOnGauge on) {
        return taught.containsKey(on) ? Optional.empty() : Optional.ofNullable(before.get(on));
    }

    /** From all earlier arrangements; the valve's data where none taught anything. */
    Slope slope(ScrewOnGauge on) {
        Slope known = Optional.ofNullable(before.get(on))
                .map(ScrewTaught::slope)
                .orElse(Slope.ofData(unit.setting(on.setting()).screw().paPerTurn()));
        for (List<NextTurn.Reading> readings : taught.getOrDefault(on, List.of())) {
            known = with(on, readings, known);
        }
        return known;
    }

    /** The same with turns and readings that are still going on. */
    Slope with(ScrewOnGauge on, List<NextTurn.Reading> readings, Slope known) {
        if (readings.size() < 2) {
            return known;
        }
        Screw screw = unit.setting(on.setting()).screw();
        return answers.learned(new NextTurn.Ask(
                screw.paPerTurn(),
                screw.minPa(),
                screw.maxPa(),
                readings,
                screw.maxPa(),
                screw.maxPa(),
                screw.maxPa(),
                screw.maxPa(),
                0,
                0,
                OptionalDouble.empty(),
                known,
                Double.POSITIVE_INFINITY));
    }
}
