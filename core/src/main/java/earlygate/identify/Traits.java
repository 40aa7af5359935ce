package earlygate.identify;

import earlygate.quantity.Keyed;

/** What can be seen of a pressure valve on a schematic. */
public record Traits(Pilot pilot, Rest rest, boolean reverseCheck, Drain drain, Place place) {
    public enum Pilot {
        OWN_INLET,
        REMOTE,
        OWN_INLET_AND_REMOTE,
        OWN_OUTLET
    }

    public enum Rest {
        CLOSED,
        OPEN
    }

    public enum Drain {
        INTERNAL,
        EXTERNAL
    }

    public enum Place {
        PUMP_LINE_TO_TANK,
        BESIDE_PUMP,
        BEFORE_ACTUATOR,
        AFTER_ACTUATOR
    }

    public enum Trait implements Keyed {
        PILOT,
        REST,
        REVERSE_CHECK,
        DRAIN,
        PLACE
    }
}
