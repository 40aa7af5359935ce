package earlygate.judge;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;

/** A screw whose truth is known, with a gauge and a hand of its own: brought to its target by what is advised. */
final class ScrewMachine {
    enum Group {
        SLOPE,
        ALL,
        ABOVE,
        LOST,
        LIMIT,
        /** A spring that stiffens by as much as it likes, play and a hand that misses, a gauge with digits. */
        RISING
    }

    private static final double PLAY = 1 / 16.0;

    final double target;
    final double tolerance;
    final double dataSlope;
    final double low;
    final double high;
    final OptionalDouble limit;
    final double range;
    final double division;
    private final Random random;
    private final Group group;
    private final double a;
    private final double g;
    private final double bias;
    private final boolean plays;
    private final int outlier;
    private final double followed;
    private double x;
    private double slack;
    private double holdsFrom;
    private double gauge;
    private boolean held;
    final List<NextTurn.Reading> history = new ArrayList<>();
    /** Readings since the other limiter has it; -1 before. */
    int sinceLost = -1;

    int turns;
    boolean wentFar;
    boolean passedLimit;

    ScrewMachine(Group group, long seed) {
        this.group = group;
        // Neighbouring seeds of this generator begin alike.
        random = new Random(seed * 0x9E3779B97F4A7C15L);
        target = 80 + 220 * random.nextDouble();
        tolerance = 0.02 * target;
        dataSlope = 10 + 50 * random.nextDouble();
        low = 0.1 * target;
        high = 1.4 * target;
        double slope = dataSlope * (0.5 + random.nextDouble());
        boolean rough = group == Group.ALL || group == Group.LOST && random.nextBoolean();
        double rise = group == Group.ALL ? 2 : group == Group.RISING ? 1 + random.nextDouble() : 1;
        a = 2 * slope / (rise + 1);
        g = a * a * (rise * rise - 1) / (4 * (high - low));
        double share = random.nextDouble();
        double start = target * (group == Group.ABOVE ? 1.05 + 0.3 * share : 0.4 + 0.5 * share);
        range = 50 * Math.ceil(target / (0.4 + 0.35 * random.nextDouble()) / 50);
        bias = 0.4 * 0.006 * range * (2 * random.nextDouble() - 1);
        division = group == Group.ALL || rough ? 2 : 0;
        plays = group == Group.ALL || group == Group.LOST || group == Group.RISING;
        slack = plays ? PLAY * random.nextInt(2) : 0;
        outlier = group == Group.ALL ? 1 + random.nextInt(3) : -1;
        x = at(start);
        followed = 0.1 * random.nextDouble();
        held = group == Group.LOST;
        holdsFrom = !held
                ? Double.POSITIVE_INFINITY
                : random.nextInt(3) > 0 ? start : start + (0.2 + 0.6 * random.nextDouble()) * (target - start);
        sinceLost = held && holdsFrom == start ? 0 : -1;
        limit = OptionalDouble.of(
                group == Group.LIMIT ? start + (0.2 + 0.7 * random.nextDouble()) * (target - start) : 1.25 * target);
        gauge = start;
        read(0);
    }

    private double at(double p) {
        return g == 0 ? (p - low) / a : (-a + Math.sqrt(a * a + 4 * g * (p - low))) / (2 * g);
    }

    private double pressure(double at) {
        return low + a * at + g * at * at;
    }

    double truth() {
        return gauge;
    }

    double sixteenth() {
        return pressure(x + 1 / 16.0) - pressure(x);
    }

    void turn(double asked) {
        turns++;
        double perfect = shown(pressure(x + Math.max(0, asked - slack)));
        passedLimit |= asked > 0 && perfect > limit.getAsDouble() + 1e-9;
        double made = asked == 0 ? 0 : asked + (plays ? (2 * random.nextDouble() - 1) / 32 : 0);
        if (plays && made > 0) {
            double taken = Math.min(slack, made);
            slack -= taken;
            made -= taken;
        } else if (plays && made < 0) {
            double taken = Math.min(PLAY - slack, -made);
            slack += taken;
            made += taken;
        }
        x += made;
        double before = gauge;
        gauge = shown(pressure(x));
        if (pressure(x) > holdsFrom && asked != 0 || sinceLost >= 0) {
            sinceLost++;
        }
        wentFar |= gauge > before && gauge > target + 2 * tolerance;
        read(asked);
    }

    private double shown(double setting) {
        return setting <= holdsFrom ? setting : holdsFrom + followed * (setting - holdsFrom);
    }

    private void read(double asked) {
        double reads = gauge + bias + 0.0005 * range * random.nextGaussian();
        if (history.size() == outlier) {
            reads *= 1 + (0.05 + 0.1 * random.nextDouble()) * (random.nextBoolean() ? 1 : -1);
        }
        double step = division > 0 ? division / 2 : 0.1;
        history.add(new NextTurn.Reading(asked, Math.max(0, Math.round(reads / step) * step)));
    }

    NextTurn.Ask ask() {
        return new NextTurn.Ask(
                dataSlope,
                low,
                high,
                List.copyOf(history),
                target,
                tolerance,
                tolerance,
                range,
                0.006 * range,
                division,
                limit,
                Slope.ofData(dataSlope),
                Double.POSITIVE_INFINITY);
    }
}
