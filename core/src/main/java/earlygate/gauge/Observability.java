package earlygate.gauge;

import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** On which gauges a setting shows in a solved state, and what would let it show best. */
final class Observability {
    private static final double MID_STROKE = 0.5;
    /** A pump between these strokes shows its margin; at either stop another thing decides. */
    private static final double LEAST_STROKE = 0.2;

    private static final double MOST_STROKE = 0.9;
    /** Share of its band that a plain unloading valve has opened while its pump still feeds the load. */
    private static final double TRANSFER = 0.05;

    private final PowerUnit unit;

    Observability(PowerUnit unit) {
        this.unit = unit;
    }

    List<TestPoint> gauges(Setting sought, SteadyState state) {
        return unit.testPoints().stream()
                .filter(t -> has(sought, t.line(), state))
                .sorted(Comparator.comparing((TestPoint t) -> !t.line().equals(sought.line()))
                        .thenComparing(TestPoint::errorPa))
                .toList();
    }

    static boolean has(Setting sought, String line, SteadyState state) {
        return state.limiterOf(line).filter(sought.id()::equals).isPresent();
    }

    /** A margin is there only while oil flows, the pump between its stops. */
    boolean shows(Setting sought, SteadyState state) {
        return sought.kind() != Setting.Kind.LOAD_SENSE || between(stroke(sought, state));
    }

    static boolean between(double stroke) {
        return stroke >= LEAST_STROKE && stroke <= MOST_STROKE;
    }

    static double stroke(Setting sought, SteadyState state) {
        return state.pump(sought.part()).stroke();
    }

    /** A margin, and the transfer of a plain unloading valve, are only there at one flow. */
    boolean needsFlow(Setting sought) {
        return sought.kind() == Setting.Kind.LOAD_SENSE || plain(sought);
    }

    boolean plain(Setting sought) {
        return unit.partOf(sought.id()) instanceof UnloadingValve v
                && v.differential().isEmpty();
    }

    /** What must pass zero, growing with the opening, for the setting to be seen best; empty where any opening is as good. */
    Optional<ToDoubleFunction<SteadyState>> measure(Setting sought, Situation s) {
        if (sought.kind() == Setting.Kind.LOAD_SENSE) {
            return Optional.of(state -> stroke(sought, state) - MID_STROKE);
        }
        if (plain(sought)) {
            UnloadingValve v = (UnloadingValve) unit.partOf(sought.id());
            double transfer = unit.at(s).setting(sought.id()) + TRANSFER * v.bandPa();
            return Optional.of(state -> transfer - state.pressure(v.pilot()));
        }
        return Optional.empty();
    }
}
