package earlygate.solve;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The same network moving in time: implicit Euler on the same residual, with V/B dp/dt at every line. Starts without
 * pressure. Holds arrays; one per thread.
 */
public final class Transient {
    private final Network network;
    private final Newton newton;

    public Transient(Network network) {
        this.network = network;
        this.newton = new Newton(network);
    }

    /**
     * Goes on by {@code seconds}; a step that does not converge is taken in smaller ones.
     *
     * @throws IllegalStateException when even steps of a nanosecond find no balance
     */
    public void advance(Conditions c, double seconds) {
        if (newton.advance(c, seconds)) {
            for (Element e : network.elements) {
                e.after(newton.balance, c);
            }
            return;
        }
        if (seconds < 1e-9) {
            throw new IllegalStateException("No balance of flows, even over " + seconds + " s");
        }
        advance(c, seconds / 2);
        advance(c, seconds / 2);
    }

    /** Pa. */
    public double pressure(String line) {
        return newton.balance.pressure[network.lineIndex(line)];
    }

    /** The pressures now, Pa by line id, tank left out. */
    public Map<String, Double> pressures() {
        Map<String, Double> pressures = new LinkedHashMap<>();
        for (int i = 1; i < network.lineIds.length; i++) {
            pressures.put(network.lineIds[i], newton.balance.pressure[i]);
        }
        return pressures;
    }

    /** How every component stands now. */
    public Map<String, ComponentState> components(Conditions c) {
        Map<String, ComponentState> components = new LinkedHashMap<>();
        for (Element e : network.elements) {
            e.report(newton.balance, c, components);
        }
        return components;
    }

    /** Picks up again from pressures (Pa) by line. */
    public void restore(Map<String, Double> pressures) {
        double[] p = newton.balance.pressure.clone();
        pressures.forEach((line, pa) -> p[network.lineIndex(line)] = pa);
        newton.reset(p);
    }
}
