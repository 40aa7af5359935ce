package earlygate.solve;

import earlygate.network.Balance;
import earlygate.network.ComponentState;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.work.WorkBound;
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
     * @throws NoBalance when even steps of a nanosecond find no balance
     */
    public void advance(Conditions c, double seconds) {
        WorkBound.ask();
        if (newton.advance(c, seconds)) {
            newton.balance.endStep(c);
            return;
        }
        if (seconds < 1e-9) {
            throw new NoBalance(seconds);
        }
        advance(c, seconds / 2);
        advance(c, seconds / 2);
    }

    /** Heat that goes into the oil now, W. */
    public double heat() {
        return newton.balance.heat();
    }

    /** Pa. */
    public double pressure(String line) {
        return newton.balance.pressure()[network.lineIndex(line)];
    }

    /** The pressures now, Pa by line id, tank left out. */
    public Map<String, Double> pressures() {
        return newton.balance.pressures();
    }

    /** How every component stands now. */
    public Map<String, ComponentState> components(Conditions c) {
        return newton.balance.components(c);
    }

    /** Picks up from a steady state: its pressures, and strokes and latches as they stand at these. */
    public void restore(SteadyState state, Conditions c) {
        restore(state.pressures(), c);
    }

    /** @param pressures Pa by line; a line left out stands without pressure */
    public void restore(Map<String, Double> pressures, Conditions c) {
        Balance b = newton.balance;
        pressures.forEach((line, pa) -> b.pressure()[network.lineIndex(line)] = pa);
        b.evaluate(c, b.pressure(), 0);
        b.endStep(c);
    }
}
