package earlygate.unit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Displacement pump, fixed or with controls; the least stroke that one of them allows is its stroke.
 *
 * @param displacement m3/rev
 * @param ratedPressure Pa, where the volumetric efficiency holds
 * @param maxPressure Pa, what its housing stands
 * @param minStroke fraction of full displacement
 * @param maxStroke fraction of full displacement
 * @param suctionValve its inlet has a valve that can stand shut
 * @param caseToFill its case must be filled before the first start
 * @param coupling it has a coupling with a guard
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
        boolean suctionValve,
        boolean caseToFill,
        boolean coupling,
        Optional<String> caseDrain,
        Optional<Compensator> compensator,
        Optional<LoadSense> loadSense,
        Optional<PowerLimiter> powerLimiter,
        Optional<MaxFlow> maxFlow)
        implements Component {

    /** @param settingPa cut-off (zero-stroke) pressure; {@code bandPa} from full to zero stroke */
    public record Compensator(double settingPa, double bandPa, Screw screw) {}

    /** @param marginPa zero-stroke margin above the line {@code signal} */
    public record LoadSense(double marginPa, double bandPa, String signal, Screw screw) {}

    /** @param limit W at rated speed */
    public record PowerLimiter(double limit, Optional<Screw> screw) {
        /** Where the schematic gives no screw, it is read and never turned. */
        Screw range() {
            return screw.orElse(new Screw(0, 2 * limit, limit, ""));
        }
    }

    /** The screw of the full-stroke stop. @param flow m3/s at rated speed, as the stop stands now */
    public record MaxFlow(double flow, Screw screw) {}

    /** The other half of a pair: as large, on the same drive. */
    public boolean isTwinOf(Pump other) {
        return !id.equals(other.id)
                && driver.equals(other.driver)
                && displacement == other.displacement
                && ratedPressure == other.ratedPressure;
    }

    public String loadSenseId() {
        return Control.LOAD_SENSE.of(id);
    }

    public String powerLimiterId() {
        return Control.POWER_LIMITER.of(id);
    }

    public String maxFlowId() {
        return Control.MAX_FLOW.of(id);
    }

    public String compensatorId() {
        return Control.COMPENSATOR.of(id);
    }

    @Override
    public List<Setting> settings() {
        List<Setting> settings = new ArrayList<>();
        compensator.ifPresent(
                k -> settings.add(setting(compensatorId(), Setting.Kind.COMPENSATOR, k.settingPa(), k.screw())));
        loadSense.ifPresent(
                k -> settings.add(setting(loadSenseId(), Setting.Kind.LOAD_SENSE, k.marginPa(), k.screw())));
        powerLimiter.ifPresent(
                k -> settings.add(setting(powerLimiterId(), Setting.Kind.POWER_LIMITER, k.limit(), k.range())));
        maxFlow.ifPresent(k -> settings.add(setting(maxFlowId(), Setting.Kind.FLOW, k.flow(), k.screw())));
        return settings;
    }

    private Setting setting(String name, Setting.Kind kind, double present, Screw screw) {
        return new Setting(name, id, kind, outlet, present, screw);
    }
}
