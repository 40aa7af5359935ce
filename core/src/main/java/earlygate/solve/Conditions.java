package earlygate.solve;

import earlygate.circuit.Situation;
import java.util.Arrays;

/**
 * What a technician can do to the machine, compiled: settings, openings, drivers, oil. Mutable on purpose, so that a
 * sweep or the practice rig turns one thing without compiling again; the solver only reads it.
 */
public final class Conditions {
    private final Network network;
    /** Pa, by {@link Network#settingIndex}. */
    final double[] setting;
    /** 0 to 1, by element index. */
    final double[] opening;
    /** By element index; true for shafts that turn. */
    final boolean[] running;
    /** rev/s by element index; NaN inside the solver only: speed follows the driver's own slip. */
    final double[] forcedSpeed;

    final boolean[] held;
    final double[] heldAt;
    double leakage;
    double oil;

    Conditions(Network network) {
        this.network = network;
        int n = network.elements.length;
        setting = network.presentSettings();
        opening = new double[n];
        running = new boolean[n];
        Arrays.fill(running, true);
        forcedSpeed = new double[n];
        Arrays.fill(forcedSpeed, Double.NaN);
        held = new boolean[network.lineIds.length];
        heldAt = new double[network.lineIds.length];
        held[0] = true;
        oil(network.unit.fluid().middleOfBand());
    }

    Conditions apply(Situation s) {
        s.settings().forEach(this::setting);
        s.openings().forEach(this::opening);
        s.drivers().forEach((id, d) -> {
            running(id, d.running());
            d.speed().ifPresent(n -> forcedSpeed[network.elementIndex(id)] = n);
        });
        s.pressures().forEach((id, pa) -> {
            held[network.lineIndex(id)] = true;
            heldAt[network.lineIndex(id)] = pa;
        });
        s.oil().ifPresent(this::oil);
        return this;
    }

    /** @param settingPa Pa */
    public void setting(String id, double settingPa) {
        setting[network.settingIndex(id)] = settingPa;
    }

    /** @param fraction 0 shut to 1 open */
    public void opening(String id, double fraction) {
        opening[network.elementIndex(id)] = fraction;
    }

    public void running(String driver, boolean turns) {
        running[network.elementIndex(driver)] = turns;
    }

    /** @param temperature K */
    public void oil(double temperature) {
        oil = temperature;
        leakage = network.leakageFactor(temperature);
    }
}
