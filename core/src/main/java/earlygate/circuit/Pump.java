package earlygate.circuit;

import java.util.Optional;

/**
 * Displacement pump, fixed or with a compensator.
 *
 * @param displacement m3/rev
 * @param ratedPressure Pa, where the volumetric efficiency holds
 * @param maxPressure Pa, what its housing stands
 * @param minStroke fraction of full displacement
 * @param maxStroke fraction of full displacement
 */
public record Pump(
        String id,
        String driver,
        String inlet,
        String outlet,
        double displacement,
        double ratedPressure,
        double volumetricEfficiency,
        double hydromechanicalEfficiency,
        double maxPressure,
        String rotation,
        double minStroke,
        double maxStroke,
        Optional<Compensator> compensator)
        implements Component {

    /** @param settingPa cut-off (zero-stroke) pressure; {@code bandPa} from full to zero stroke */
    public record Compensator(double settingPa, double bandPa, Screw screw) {}

    public String compensatorId() {
        return id + ".compensator";
    }
}
