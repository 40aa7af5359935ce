package earlygate.solve;

import earlygate.network.Balance;
import earlygate.network.Conditions;
import earlygate.network.Islands;
import earlygate.network.Network;
import earlygate.unit.Setting;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * Steady states of a network. Keeps the last pressures as the next guess when asked to {@link #next}, so a sweep is
 * cheap. Holds arrays: one solver per thread.
 */
public final class Solver {
    /** Pa; no power unit of this kind stands it. */
    private static final double IMPLAUSIBLE = 1200e5;
    /** Pa by which a setting is moved to see which lines it has. */
    private static final double NUDGE = 1e3;
    /** Pa per Pa of setting, from which on a setting has the line. */
    private static final double HAS_THE_LINE = 0.5;
    /** Closer than this two settings move a line alike, and the first of them has it. */
    private static final double AS_MUCH = 1.01;

    private final Network network;
    private final Newton newton;
    private final double[] settled;
    private final double[] moved;

    public Solver(Network network) {
        this.network = network;
        this.newton = new Newton(network);
        this.settled = new double[network.lineCount()];
        this.moved = new double[network.lineCount()];
    }

    /** From a cold guess. */
    public Outcome steady(Conditions c) {
        newton.balance.guess(c);
        return next(c);
    }

    /** From the pressures of the last solution. */
    public Outcome next(Conditions c) {
        return pressures(c) ? judged(c) : new Outcome.NotConverged(worst());
    }

    /** Only the pressures, left inside; what the benchmark and a sweep's inner loop need. */
    boolean pressures(Conditions c) {
        return newton.steady(c);
    }

    private Outcome judged(Conditions c) {
        double[] p = newton.balance.pressure();
        List<String> beyond = IntStream.range(0, p.length)
                .filter(i -> Math.abs(p[i]) > IMPLAUSIBLE)
                .mapToObj(network::lineId)
                .toList();
        if (!beyond.isEmpty()) {
            return new Outcome.Implausible(beyond, p[network.lineIndex(beyond.get(0))]);
        }
        List<String> sealed = Islands.of(network, newton.balance, c);
        return network.pumped(sealed, c) ? new Outcome.WithoutTank(sealed) : new Outcome.Converged(state(c, sealed));
    }

    private SteadyState state(Conditions c, List<String> sealed) {
        Balance b = newton.balance;
        return new SteadyState(
                b.pressures(),
                b.components(c),
                inControl(c),
                network.settingsOf(c),
                sealed,
                network.starved(c),
                c.oil());
    }

    /** Moves each setting a little and sees, through the Jacobian, which lines follow. */
    private Map<String, String> inControl(Conditions c) {
        Balance b = newton.balance;
        newton.lu.factor(b.jacobian());
        System.arraycopy(b.excess(), 0, settled, 0, settled.length);
        double[] strongest = new double[network.lineCount()];
        String[] holder = new String[network.lineCount()];
        // Limiters first: one that moves a line as much as a margin does has it.
        for (boolean margins : new boolean[] {false, true}) {
            for (int s = 0; s < network.settings().size(); s++) {
                Setting.Kind kind = network.settings().get(s).kind();
                if (network.settings().get(s).isPressure() && (kind == Setting.Kind.LOAD_SENSE) == margins) {
                    follow(c, s, strongest, holder);
                }
            }
        }
        b.evaluate(c, settled, 0);
        Map<String, String> inControl = new LinkedHashMap<>();
        for (int i = 1; i < holder.length; i++) {
            String power = holder[i] == null && !c.isHeld(i) ? network.powerLimiterOf(i, b, c) : null;
            if (holder[i] != null || power != null) {
                inControl.put(network.lineId(i), holder[i] != null ? holder[i] : power);
            }
        }
        return inControl;
    }

    private void follow(Conditions c, int setting, double[] strongest, String[] holder) {
        Balance b = newton.balance;
        double at = c.setting(setting);
        c.setting(setting, at + NUDGE);
        b.evaluate(c, settled, 0);
        c.setting(setting, at);
        double[] excess = b.excess();
        for (int i = 0; i < moved.length; i++) {
            moved[i] = (settled[i] - excess[i]) / NUDGE;
        }
        newton.lu.solve(moved);
        for (int i = 1; i < moved.length; i++) {
            if (!c.isHeld(i) && Math.abs(moved[i]) >= Math.max(HAS_THE_LINE, strongest[i] * AS_MUCH)) {
                strongest[i] = Math.abs(moved[i]);
                holder[i] = network.settings().get(setting).id();
            }
        }
    }

    private List<String> worst() {
        double[] excess = newton.balance.excess();
        return IntStream.range(1, excess.length)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> -Math.abs(excess[i])))
                .limit(3)
                .map(i -> network.lineId(i))
                .toList();
    }
}
