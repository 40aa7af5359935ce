package earlygate.plan;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import earlygate.explain.Value.Kind;
import earlygate.quantity.Keyed;
import java.util.Optional;

/** How the adjuster of a step is brought where it belongs, and what tells that it is there. SI. */
public sealed interface Goal {
    /** The gauge, meter or drive to look at while it is turned. */
    String testPoint();

    /** The kind of goal, as plans are written. */
    @JsonProperty("way")
    Way way();

    enum Way implements Keyed {
        /** Turn, read, turn again until it reads the target. */
        TURN_TO_READING,
        /** Back a relief out until it just begins to pass. */
        BACK_OUT_TO_CRACK,
        /** Count turns; the gauge doesn't follow, or only for a part. */
        COUNT_TURNS,
        /** To the end of the screw, counting. */
        TO_THE_END,
        /** By eighths of a turn at most, until a flow or a current is what it must be. */
        TURN_TO_RATE
    }

    /** A pressure decides: {@link #tolerancePa} to either side of {@link #targetPa}. */
    sealed interface Measured extends Goal {
        double targetPa();

        double tolerancePa();

        /** Never to be passed on the way by the reading of {@link #testPoint}. */
        double limitPa();

        /** The same with its target so many Pa higher. */
        Measured moved(double byPa);
    }

    /** Turns decide, clockwise positive. */
    sealed interface Turned extends Goal {
        double turns();
    }

    /** One gauge. */
    record OnGauge(String testPoint, double targetPa, double tolerancePa, double limitPa) implements Measured {
        @Override
        public Measured moved(double byPa) {
            return new OnGauge(testPoint, targetPa + byPa, tolerancePa, limitPa);
        }

        @Override
        public Way way() {
            return Way.TURN_TO_READING;
        }
    }

    /** One gauge less another, both read in the same state. */
    record Difference(
            String testPoint, @JsonProperty("minus") String lower, double targetPa, double tolerancePa, double limitPa)
            implements Measured {
        @Override
        public Measured moved(double byPa) {
            return new Difference(testPoint, lower, targetPa + byPa, tolerancePa, limitPa);
        }

        @Override
        public Way way() {
            return Way.TURN_TO_READING;
        }
    }

    /** The pressure at which a relief that is backed out begins to pass. */
    record Crack(String testPoint, double targetPa, double tolerancePa, double limitPa) implements Measured {
        @Override
        public Measured moved(double byPa) {
            return new Crack(testPoint, targetPa + byPa, tolerancePa, limitPa);
        }

        @Override
        public Way way() {
            return Way.BACK_OUT_TO_CRACK;
        }
    }

    /** @param targetPa what the gauge shows then by the model; it doesn't decide */
    record CountTurns(String testPoint, double targetPa, double limitPa, double turns) implements Turned {
        @Override
        public Way way() {
            return Way.COUNT_TURNS;
        }
    }

    /** @param turns about how many by the data; their sign says which end */
    record ToEnd(String testPoint, double targetPa, double limitPa, double turns) implements Turned {
        public boolean inward() {
            return turns > 0;
        }

        @Override
        public Way way() {
            return Way.TO_THE_END;
        }
    }

    /** The gauge whose reading is taken off; empty for one gauge alone. */
    default Optional<String> minus() {
        return this instanceof Difference d ? Optional.of(d.lower()) : Optional.empty();
    }

    /**
     * A flow, m3/s, on a meter, or the current, A, of a drive: what a flow screw or a power limiter does to it.
     *
     * @param quantity FLOW or CURRENT
     * @param target what the instrument shows when the setting is what the schematic asks
     * @param tolerance to either side of it
     */
    record Rate(String testPoint, Kind quantity, double target, double tolerance) implements Goal {
        @Override
        public Way way() {
            return Way.TURN_TO_RATE;
        }
    }

    /** Whether it is read on this instrument, alone or as one of two. */
    default boolean reads(String instrument) {
        return testPoint().equals(instrument)
                || minus().filter(instrument::equals).isPresent();
    }

    /** From a plan as it was written, by any edition. */
    @JsonCreator
    static Goal of(
            @JsonProperty("way") Way way,
            @JsonProperty("testPoint") String testPoint,
            @JsonProperty("targetPa") double targetPa,
            @JsonProperty("tolerancePa") double tolerancePa,
            @JsonProperty("limitPa") double limitPa,
            @JsonProperty("turns") double turns,
            @JsonProperty("minus") String minus,
            @JsonProperty("quantity") Kind quantity,
            @JsonProperty("target") double target,
            @JsonProperty("tolerance") double tolerance) {
        return switch (way) {
            case TURN_TO_READING ->
                minus == null
                        ? new OnGauge(testPoint, targetPa, tolerancePa, limitPa)
                        : new Difference(testPoint, minus, targetPa, tolerancePa, limitPa);
            case BACK_OUT_TO_CRACK -> new Crack(testPoint, targetPa, tolerancePa, limitPa);
            case COUNT_TURNS -> new CountTurns(testPoint, targetPa, limitPa, turns);
            case TO_THE_END -> new ToEnd(testPoint, targetPa, limitPa, turns);
            case TURN_TO_RATE -> new Rate(testPoint, quantity, target, tolerance);
        };
    }
}
