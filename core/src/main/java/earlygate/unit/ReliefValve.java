package earlygate.unit;

import earlygate.quantity.Keyed;
import java.util.List;

/**
 * Relief valve.
 *
 * @param settingPa cracking pressure
 * @param overridePa rise from cracking to full flow at {@code ratedFlow}
 * @param ratedFlow m3/s
 * @param sealedByCap its cap seals the thread and must be on before pressure
 */
public record ReliefValve(
        String id,
        Acting acting,
        String inlet,
        String outlet,
        double settingPa,
        double overridePa,
        double ratedFlow,
        Screw screw,
        boolean vent,
        boolean sealedByCap,
        Role role)
        implements Component {
    /** What it protects: the pump, a motor's two lines against each other, or one work port. */
    public enum Role implements Keyed {
        MAIN,
        CROSS_PORT,
        PORT
    }

    public enum Acting implements Keyed {
        DIRECT,
        PILOT
    }

    /** Full-flow pressure, Pa, of a valve cracking at {@code crackPa} that passes {@code flow} m3/s. */
    public double fullFlowPressure(double crackPa, double flow) {
        return crackPa + overridePa * flow / ratedFlow;
    }

    @Override
    public List<Setting> settings() {
        return List.of(new Setting(id, id, Setting.Kind.RELIEF, inlet, settingPa, screw));
    }
}
