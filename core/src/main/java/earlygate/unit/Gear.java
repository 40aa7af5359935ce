package earlygate.unit;

/** What the workshop fits for the job and takes off again. */
public sealed interface Gear {
    String id();

    /** A portable load valve; K follows from rated flow (m3/s) at rated drop (Pa). {@code maxPressure} is what it stands, Pa. */
    record LoadValve(String id, double ratedFlow, double ratedDrop, double maxPressure) implements Gear {}

    /** @param range m3/s; {@code accuracyClass} percent of it */
    record FlowMeter(String id, double range, double accuracyClass) implements Gear {
        /** m3/s by which it may be wrong anywhere on its scale. */
        public double error() {
            return accuracyClass / 100 * range;
        }
    }
}
