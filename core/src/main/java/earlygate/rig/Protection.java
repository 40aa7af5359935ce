package earlygate.rig;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.network.ComponentState;
import earlygate.network.ComponentState.DriverState;
import earlygate.unit.DcMotor;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;

/**
 * What stops a drive by itself, or ends its pump: oil at the thermal switch, overload held too long, the on-time of a
 * battery motor, no oil, a dry case, the wrong way round, a line above what its weakest part stands. The times are
 * assumptions.
 */
final class Protection {
    /** The tank's thermal switch, K: no machine is left to cook. */
    private static final double THERMAL_SWITCH = 82 + ZERO_C;

    /** A pump without oil, with a dry case or turning the wrong way is destroyed after so long, s. */
    private static final double DESTROYED_S = 3;

    /** A part gives way so far above its rating, held so long, s. */
    private static final double GIVES_WAY = 1.02;

    private static final double GIVES_WAY_S = 1;
    /** A pack's own switch opens at so many times its on-time. */
    private static final double OVER_TIME = 1.5;
    /** Overload a motor's protection stands: (load/limit)^2 - 1 over so many seconds. */
    private static final double OVERLOAD_S = 15;

    private final PowerUnit unit;
    /** By driver: why it last stopped by itself, until it is started again. */
    private final Map<String, String> stops = new TreeMap<>();

    private final Map<String, Double> unsoundS = new TreeMap<>();
    private final Map<String, Double> overloadS = new TreeMap<>();
    private final Map<String, Double> onTimeS = new TreeMap<>();
    private double aboveRatingS;

    Protection(PowerUnit unit) {
        this.unit = unit;
    }

    void started(String driver) {
        stops.remove(driver);
        unsoundS.remove(driver);
        overloadS.remove(driver);
        aboveRatingS = 0;
    }

    Map<String, String> stops() {
        return Map.copyOf(stops);
    }

    /** How long a battery motor has been on, less what it has rested since, s. */
    Map<String, Double> onTime() {
        return Map.copyOf(onTimeS);
    }

    /** A motor that was put away hot comes back hot. */
    void restore(Map<String, Double> onTime) {
        onTimeS.putAll(onTime);
    }

    /**
     * @param oil K
     * @param pressure Pa by line
     * @return the drives that stop now, with the cause
     */
    Map<String, String> watch(
            Map<String, Boolean> running,
            Readiness ready,
            double oil,
            double seconds,
            Map<String, ComponentState> states,
            ToDoubleFunction<String> pressure) {
        Map<String, String> now = new LinkedHashMap<>();
        aboveRatingS = aboveRating(pressure) ? aboveRatingS + seconds : 0;
        for (Driver d : unit.all(Driver.class)) {
            if (running.get(d.id())) {
                cause(d, ready, oil, seconds, (DriverState) states.get(d.id())).ifPresent(c -> now.put(d.id(), c));
            } else {
                rest(d, seconds);
            }
        }
        stops.putAll(now);
        return now;
    }

    private Optional<String> cause(Driver d, Readiness ready, double oil, double seconds, DriverState state) {
        double load = state.load() / d.serviceFactor();
        double over = Math.max(0, overloadS.getOrDefault(d.id(), 0.0) + Math.max(-1, load * load - 1) * seconds);
        overloadS.put(d.id(), over);
        double on = d instanceof DcMotor ? onTimeS.merge(d.id(), seconds, Double::sum) : 0;
        Optional<String> unsound = ready.unsound(unit, d);
        if (unsound.isPresent() && unsoundS.merge(d.id(), seconds, Double::sum) > DESTROYED_S) {
            return unsound;
        }
        if (over > OVERLOAD_S) {
            return Optional.of("overload");
        }
        if (d instanceof DcMotor m && on > OVER_TIME * m.onTime()) {
            return Optional.of("on-time");
        }
        if (oil > THERMAL_SWITCH) {
            return Optional.of("thermal");
        }
        return aboveRatingS > GIVES_WAY_S ? Optional.of("burst") : Optional.empty();
    }

    private void rest(Driver d, double seconds) {
        if (d instanceof DcMotor m && onTimeS.containsKey(d.id())) {
            double back = seconds * m.onTime() / Math.max(1, m.cycle() - m.onTime());
            onTimeS.put(d.id(), Math.max(0, onTimeS.get(d.id()) - back));
        }
    }

    private boolean aboveRating(ToDoubleFunction<String> pressure) {
        return unit.lines().stream()
                .anyMatch(l -> pressure.applyAsDouble(l.id())
                        > GIVES_WAY * unit.weakest(l.id()).pressurePa());
    }
}
