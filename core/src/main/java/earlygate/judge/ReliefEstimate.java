package earlygate.judge;

import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Electric;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/**
 * Where a relief stands that was backed out past its crack, its cracking pressure: by the model's balance the fall of the
 * gauge and the rise of the current tell what it passes now, and so how far its screw went below what was held. Against
 * that stands what the turns after the crack can have done. Pa. Source: Bayes over a grid of cracking pressures;
 * docs/handbook.md, 6.4.
 *
 * @param low with {@code high} the 95 % bounds
 */
public record ReliefEstimate(double settingPa, double low, double high) {
    private static final int POINTS = 160;
    /** A hand that stops at the crack has gone past it by about so many turns, seldom more than so many. */
    private static final double ABOUT = 0.15;

    private static final double MOST = 1.6;
    /** Of the data's slope, what a screw's may be off; of a turn, what a hand's may. */
    private static final double SLOPE = 0.2;

    private static final double HAND = 0.15;
    /** Of what the model says of a fall and a rise, what it may be wrong by. */
    private static final double MODEL = 0.05;

    private static final double REST_S = 6;
    /** After a turn the oil takes so long. */
    private static final double QUIET_S = 0.4;
    /** A turn takes about so long. */
    private static final double TURN_S = 1;

    /** @param turns clockwise positive, at the time when they ended */
    public record Turned(double atS, double turns) {}

    /** A stream of the line's gauge, Pa, and the drives' current together, A. */
    public record Stream(double[] times, double[] pa, Optional<double[]> amps) {}

    private record Level(double mean, double error) {}

    /** How the gauge fell from what was held and by how much the current rose, and how likely it is to be so far past. */
    private record Fallen(double held, Level fall, Optional<Level> rise, DoubleUnaryOperator prior) {}

    /** Empty where the model has no answer, or nothing but this relief holds its line. */
    public static Optional<ReliefEstimate> of(
            Model model, Situation situation, String relief, Stream stream, List<Turned> turns, CrackSearch crack) {
        double end = stream.times()[stream.times().length - 1];
        double from = Math.max(crack.atS() + QUIET_S, restsFrom(turns, end));
        Level now = level(stream.times(), stream.pa(), from, end);
        Optional<Level> rise = stream.amps().map(a -> {
            Level after = level(stream.times(), a, from, end);
            Level stood = level(stream.times(), a, crack.atS() - 12, crack.atS() - 1.5);
            return new Level(after.mean() - stood.mean(), Math.hypot(after.error(), stood.error()));
        });
        Level fall = new Level(crack.held() - now.mean(), Math.hypot(now.error(), crack.heldError()));
        return of(
                model,
                situation,
                relief,
                new Fallen(crack.held(), fall, rise, past -> prior(past, turns, crack.atS())));
    }

    /** What is believed of it before its gauge is read: where an earlier fall found it, and what it was turned since. */
    public record Believed(double settingPa, double errorPa) {}

    /**
     * The same from two readings of one gauge.
     *
     * @param held what stood before it fell; {@code now} what stands after
     * @param error standard deviation of such a reading
     * @param believed empty where nothing is known but that a hand stopped soon after the crack
     */
    public static Optional<ReliefEstimate> ofReadings(
            Model model,
            Situation situation,
            String relief,
            double held,
            double now,
            double error,
            Optional<Believed> believed) {
        Level fall = new Level(held - now, error * Math.sqrt(2));
        double slope = model.unit().setting(relief).screw().paPerTurn();
        DoubleUnaryOperator prior =
                past -> believed.map(b -> -0.5 * Math.pow((held - past * slope - b.settingPa()) / b.errorPa(), 2))
                        .orElseGet(() -> prior(past, List.of(), 0));
        return of(model, situation, relief, new Fallen(held, fall, Optional.empty(), prior));
    }

    /** Standard deviation that its bounds stand for, Pa. */
    public double errorPa() {
        return (high - low) / 4;
    }

    private static Optional<ReliefEstimate> of(Model model, Situation situation, String relief, Fallen fallen) {
        PowerUnit unit = model.unit();
        Setting setting = unit.setting(relief);
        Situation shut = situation.withSetting(relief, setting.screw().maxPa());
        Optional<SteadyState> first = model.solve(shut);
        Optional<String> holder = first.flatMap(s -> s.limiterOf(setting.line()));
        if (holder.isEmpty() || holder.get().equals(relief)) {
            return Optional.empty();
        }
        // The holder really stands where it held the gauge.
        double stands = unit.at(shut).setting(holder.get())
                + fallen.held()
                - first.get().pressure(setting.line());
        Situation held = shut.withSetting(holder.get(), stands);
        Optional<SteadyState> before = model.solve(held);
        if (before.isEmpty()) {
            return Optional.empty();
        }
        double slope = setting.screw().paPerTurn();
        double most = Math.min(
                0.95 * fallen.held(),
                MOST * slope + 2 * Math.max(0, fallen.fall().mean()));
        double[] setAt = new double[POINTS];
        double[] weight = new double[POINTS];
        double best = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < POINTS; i++) {
            // Finer near the crack.
            double past = most * Math.pow((i + 0.5) / POINTS, 1.7);
            setAt[i] = fallen.held() - past;
            Optional<SteadyState> at = model.solve(held.withSetting(relief, setAt[i]));
            weight[i] = at.isEmpty()
                    ? Double.NEGATIVE_INFINITY
                    : Math.log(width(i, most))
                            + fallen.prior().applyAsDouble(past / slope)
                            + fits(
                                    fallen.fall(),
                                    before.get().pressure(setting.line())
                                            - at.get().pressure(setting.line()))
                            + fallen.rise()
                                    .map(r -> fits(r, current(unit, at.get()) - current(unit, before.get())))
                                    .orElse(0.0);
            best = Math.max(best, weight[i]);
        }
        return Double.isInfinite(best) ? Optional.empty() : Optional.of(told(setAt, weight, best));
    }

    /** When the last rest began, s. */
    private static double restsFrom(List<Turned> turns, double end) {
        double from = end - REST_S;
        for (Turned t : turns) {
            from = Math.max(from, Math.min(t.atS() + QUIET_S, end - 1));
        }
        return from;
    }

    private static double width(int i, double most) {
        return most * (Math.pow((i + 1.0) / POINTS, 1.7) - Math.pow(i / (double) POINTS, 1.7));
    }

    /** Logarithm of how likely it is to have gone past by so many of the data's turns. */
    private static double prior(double past, List<Turned> turns, double atS) {
        if (turns.isEmpty()) {
            return -past / ABOUT;
        }
        double after = 0;
        double during = 0;
        for (Turned t : turns) {
            if (t.atS() - TURN_S > atS + 1) {
                after -= t.turns();
            } else if (t.atS() > atS - 1) {
                during -= t.turns();
            }
        }
        if (after + during == 0) {
            // A turn that is being made isn't told yet.
            return -past / ABOUT;
        }
        double mean = after + during / 2;
        double sd = Math.sqrt(Math.pow(SLOPE * mean, 2) + Math.pow(HAND * after, 2) + during * during / 12 + 1e-4);
        return -0.5 * Math.pow((past - mean) / sd, 2);
    }

    private static double fits(Level measured, double model) {
        double sd = Math.hypot(measured.error(), MODEL * model);
        return -0.5 * Math.pow((measured.mean() - model) / sd, 2) - Math.log(sd);
    }

    private static double current(PowerUnit unit, SteadyState s) {
        return unit.all(Electric.class).stream()
                .mapToDouble(m -> s.driver(m.id()).current())
                .sum();
    }

    /** Mean over a time, spikes left out, and its standard error. */
    private static Level level(double[] times, double[] values, double from, double to) {
        List<Double> in = new ArrayList<>();
        for (int i = 0; i < times.length; i++) {
            if (times[i] >= from && times[i] <= to) {
                in.add(values[i]);
            }
        }
        if (in.isEmpty()) {
            in.add(values[values.length - 1]);
        }
        double[] sorted = in.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        double middle = sorted[sorted.length / 2];
        double[] off =
                in.stream().mapToDouble(v -> Math.abs(v - middle)).sorted().toArray();
        double sd = Math.max(1.4826 * off[off.length / 2], 1e-3 * Math.abs(middle) / 10);
        double sum = 0;
        int n = 0;
        for (double v : in) {
            if (Math.abs(v - middle) <= 4 * sd) {
                sum += v;
                n++;
            }
        }
        return new Level(sum / n, sd / Math.sqrt(n));
    }

    private static ReliefEstimate told(double[] setAt, double[] logs, double best) {
        double sum = 0;
        double mean = 0;
        double[] weight = new double[logs.length];
        for (int i = 0; i < logs.length; i++) {
            weight[i] = Math.exp(logs[i] - best);
            sum += weight[i];
            mean += weight[i] * setAt[i];
        }
        // Past grows with the index, so the setting falls along it.
        double low = setAt[setAt.length - 1];
        double high = setAt[0];
        double passed = 0;
        for (int i = 0; i < logs.length; i++) {
            double before = passed;
            passed += weight[i] / sum;
            if (before < 0.025 && passed >= 0.025) {
                high = i == 0 ? setAt[0] + (setAt[0] - setAt[1]) / 2 : setAt[i - 1];
            }
            if (before < 0.975 && passed >= 0.975) {
                low = i == logs.length - 1 ? setAt[i] : setAt[i + 1];
            }
        }
        return new ReliefEstimate(mean / sum, low, high);
    }
}
