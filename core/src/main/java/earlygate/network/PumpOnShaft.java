package earlygate.network;

import earlygate.curve.PumpCurve;
import earlygate.unit.Driver;
import earlygate.unit.Pump;
import java.util.Arrays;
import java.util.Optional;

/** One pump: its stroke under its controls, its torque and its flow. */
final class PumpOnShaft {
    private static final int NONE = -1;
    private static final int COMPENSATOR = 0;
    private static final int LOAD_SENSE = 1;
    private static final int POWER_LIMITER = 2;
    private static final int CONTROLS = 3;
    /**
     * Time constant of a stroke following its control, s; that of a common pressure compensator. With a stiff line this
     * lag alone would ring, so a control also feels how fast the pressure rises, as through its damping orifice, by just
     * as much as makes the loop critically damped.
     */
    private static final double LAG = 20e-3;

    /** Below this drop a power limit can't be met anyway, Pa. */
    private static final double LEAST_DROP = 1e4;

    final String id;
    private final int index;
    private final int inlet;
    private final int outlet;
    private final int caseLine;
    private final double displacement;
    private final double efficiency;
    private final double ratedSpeed;
    private final double leakage;
    private final double drag;
    private final double minStroke;
    private final double largestStroke;
    /** Full-stroke stop in the conditions; NONE where it has no screw. */
    private final int stop;

    private final double band;
    private final double senseBand;
    private final double lead;
    private final double senseLead;
    private final int signal;
    /** Setting index and name by control; -1 where the pump has none. */
    private final int[] setting = {NONE, NONE, NONE};

    private final String[] controlId;

    PumpOnShaft(Pump p, Driver driver, Network network) {
        id = p.id();
        inlet = network.lineIndex(p.inlet());
        outlet = network.lineIndex(p.outlet());
        displacement = p.displacement();
        efficiency = p.hydromechanicalEfficiency();
        leakage = PumpCurve.leakage(driver.ratedSpeed(), displacement, p.volumetricEfficiency(), p.ratedPressure());
        drag = PumpCurve.drag(displacement, p.ratedPressure(), efficiency);
        minStroke = p.minStroke();
        largestStroke = p.maxStroke();
        index = network.pumpIndex(id);
        ratedSpeed = driver.ratedSpeed();
        caseLine = p.caseDrain().map(network::lineIndex).orElse(inlet);
        stop = p.maxFlow().isPresent() ? network.settingIndex(p.maxFlowId()) : NONE;
        controlId = new String[] {p.compensatorId(), p.loadSenseId(), p.powerLimiterId()};
        band = p.compensator().map(Pump.Compensator::bandPa).orElse(1.0);
        senseBand = p.loadSense().map(Pump.LoadSense::bandPa).orElse(1.0);
        double fullFlow = ratedSpeed * displacement;
        lead = lead(band * network.compliance[outlet] / fullFlow);
        senseLead = lead(senseBand * network.compliance[outlet] / fullFlow);
        signal = p.loadSense().map(s -> network.lineIndex(s.signal())).orElse(0);
        boolean[] fitted = {
            p.compensator().isPresent(),
            p.loadSense().isPresent(),
            p.powerLimiter().isPresent()
        };
        for (int i = 0; i < CONTROLS; i++) {
            setting[i] = fitted[i] ? network.settingIndex(controlId[i]) : NONE;
        }
    }

    /** The full-stroke stop is set as a flow at rated speed. */
    private double maxStroke(Conditions c) {
        return stop == NONE
                ? largestStroke
                : Math.max(minStroke, Math.min(1, c.setting[stop] / (ratedSpeed * displacement)));
    }

    /** s of pressure rise felt, for a line that a full stroke fills by one band in {@code fill} s. */
    private static double lead(double fill) {
        return Math.max(0, 2 * Math.sqrt(LAG * fill) - fill);
    }

    /** Least of what the controls allow, between the stops; in time it follows with a lag. */
    double stroke(Balance b, Conditions c) {
        double commanded = Math.max(minStroke, Math.min(maxStroke(c), allowed(control(b, c), b, c)));
        return lags(b) ? (commanded + LAG * b.rate * b.strokeBefore[index]) / (1 + LAG * b.rate) : commanded;
    }

    private boolean lags(Balance b) {
        return b.rate > 0 && b.strokeIsKnown;
    }

    void after(Balance b, Conditions c) {
        b.strokeNow[index] = stroke(b, c);
    }

    /** The control that allows least; NONE for a fixed pump. */
    private int control(Balance b, Conditions c) {
        int least = NONE;
        for (int i = 0; i < CONTROLS; i++) {
            if (setting[i] >= 0 && allowed(i, b, c) < allowed(least, b, c)) {
                least = i;
            }
        }
        return least;
    }

    /** Not clamped at the ends: below 0 and above 1 it still says which control is the stricter. */
    private double allowed(int control, Balance b, Conditions c) {
        double[] pressure = b.pressure;
        double p = pressure[outlet];
        double rise = lags(b) ? (p - b.old[outlet]) * b.rate : 0;
        return switch (control) {
            case COMPENSATOR -> (c.setting[setting[control]] - p - lead * rise) / band;
            case LOAD_SENSE -> (pressure[signal] + c.setting[setting[control]] - p - senseLead * rise) / senseBand;
            case POWER_LIMITER -> powerStroke(p - pressure[inlet], c);
            default -> Double.POSITIVE_INFINITY;
        };
    }

    /** P eta / (nr D p): the stroke at which the torque limit is met. */
    private double powerStroke(double dropPa, Conditions c) {
        return c.setting[setting[POWER_LIMITER]]
                * efficiency
                / (ratedSpeed * displacement * Math.max(dropPa, LEAST_DROP));
    }

    /** Adds factor x d(stroke)/dp to a row of slopes by line. */
    private void strokeSlopes(Balance b, Conditions c, double perStroke, double[] slopes) {
        double[] pressure = b.pressure;
        int control = control(b, c);
        double x = allowed(control, b, c);
        if (x <= minStroke || x >= maxStroke(c)) {
            return;
        }
        boolean lags = lags(b);
        double factor = lags ? perStroke / (1 + LAG * b.rate) : perStroke;
        if (control == COMPENSATOR) {
            slopes[outlet] -= factor * (1 + (lags ? lead * b.rate : 0)) / band;
        } else if (control == LOAD_SENSE) {
            slopes[outlet] -= factor * (1 + (lags ? senseLead * b.rate : 0)) / senseBand;
            slopes[signal] += factor / senseBand;
        } else if (control == POWER_LIMITER && pressure[outlet] - pressure[inlet] > LEAST_DROP) {
            double perPascal = -x / (pressure[outlet] - pressure[inlet]);
            slopes[outlet] += factor * perPascal;
            slopes[inlet] -= factor * perPascal;
        }
    }

    /** Torque at the shaft, N·m; its slopes are added to {@code slopes} by line. Without oil there is drag alone. */
    double torque(Balance b, Conditions c, double[] slopes) {
        if (c.suctionShut[index]) {
            return drag;
        }
        double[] pressure = b.pressure;
        double drop = pressure[outlet] - pressure[inlet];
        double perPascal = PumpCurve.torque(displacement, stroke(b, c), 1, efficiency);
        slopes[outlet] += perPascal;
        slopes[inlet] -= perPascal;
        strokeSlopes(b, c, PumpCurve.torque(displacement, 1, drop, efficiency), slopes);
        return perPascal * drop + drag;
    }

    void stamp(Balance b, Conditions c, double speed, double speedSlope, double[] torqueSlope) {
        double[] p = b.pressure;
        double k = leakage * c.leakage;
        b.flow(outlet, caseLine, k * (p[outlet] - p[inlet]));
        b.slope(outlet, caseLine, outlet, k);
        b.slope(outlet, caseLine, inlet, -k);
        if (c.suctionShut[index]) {
            return;
        }
        double x = stroke(b, c);
        b.flow(inlet, outlet, speed * displacement * x);
        double[] slopes = b.strokeSlope;
        Arrays.fill(slopes, 0);
        strokeSlopes(b, c, speed * displacement, slopes);
        for (int line = 0; line < slopes.length; line++) {
            double slope = slopes[line] + displacement * x * speedSlope * torqueSlope[line];
            if (slope != 0) {
                b.slope(inlet, outlet, line, slope);
            }
        }
    }

    /** Delivered, m3/s. */
    double flow(Balance b, Conditions c, double speed) {
        double pumped = c.suctionShut[index] ? 0 : speed * displacement * stroke(b, c);
        return pumped - leakage(b.pressure, c);
    }

    /** Outlet above inlet, Pa. */
    double rise(double[] pressure) {
        return pressure[outlet] - pressure[inlet];
    }

    /** Through the pump's clearances, m3/s. */
    double leakage(double[] pressure, Conditions c) {
        return leakage * c.leakage * (pressure[outlet] - pressure[inlet]);
    }

    Optional<String> inControl(Balance b, Conditions c) {
        int control = control(b, c);
        return control != NONE && allowed(control, b, c) < maxStroke(c)
                ? Optional.of(controlId[control])
                : Optional.empty();
    }

    /** True where this pump feeds the line and its power limiter has the stroke. */
    boolean limitsPower(int line, Balance b, Conditions c) {
        return line == outlet && control(b, c) == POWER_LIMITER && allowed(POWER_LIMITER, b, c) < maxStroke(c);
    }

    String powerLimiterId() {
        return controlId[POWER_LIMITER];
    }

    double limitOf(int line, Conditions c) {
        return line == outlet && setting[COMPENSATOR] >= 0
                ? c.setting[setting[COMPENSATOR]] - band / 2
                : Double.POSITIVE_INFINITY;
    }
}
