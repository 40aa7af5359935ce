package earlygate.network;

import java.util.Map;

/** A component compiled to line indices. Its flows and their slopes are stamped into the balance of the lines. */
abstract class Element {
    final String id;

    Element(String id) {
        this.id = id;
    }

    /** Adds this component's flows, and their derivatives by every pressure, at {@code b.pressure}. */
    abstract void stamp(Balance b, Conditions c);

    /** Says how the component stands at the pressures of a solution. */
    abstract void report(Balance b, Conditions c, Map<String, ComponentState> into);

    /** Called once a step in time is taken; what has a history keeps it in the conditions. */
    void after(Balance b, Conditions c) {}

    /** A guess, Pa, for the line that this element limits; infinite where it limits none. */
    double limitOf(int line, Conditions c) {
        return Double.POSITIVE_INFINITY;
    }
}
