package earlygate.circuit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One slice of a load-sense valve.
 *
 * @param flow largest flow of the spool, m3/s; empty for as much as its opening passes
 */
public record Section(
        String id,
        String supply,
        String returns,
        String signal,
        String portA,
        String portB,
        double ratedFlow,
        double ratedDrop,
        OptionalDouble flow,
        Optional<PortRelief> reliefA,
        Optional<PortRelief> reliefB)
        implements Component {
    public static final List<String> POSITIONS = List.of("neutral", "a", "b");

    /** Limits the port, and through the signal the pump; Pa. */
    public record PortRelief(double settingPa, Screw screw) {}
}
