package earlygate.judge;

import earlygate.judge.NextTurn.Ask;
import java.util.ArrayList;
import java.util.List;

/** The weighing behind {@link NextTurn}: all ways of the screw with their weights, and what each sixteenth would bring. */
final class TurnChoice {
    /** Of the data's slope, what a screw may have; how many between are looked at, first and then. */
    private static final double FLATTEST = 0.4;

    private static final double STEEPEST = 1.6;
    private static final int COARSE = 31;
    private static final int FINE = 45;
    private static final double LEFT = 1e-5;

    /** Beyond the target by so many tolerances, and the chance that is taken of it. */
    private static final double FAR = 2;

    private static final double CHANCE = 0.015;
    /** A gauge that nobody answers: from this chance on it is said. */
    private static final double LOST = 0.96;

    /** A slope that rises along the travel. */
    private static final double RISES = 0.35;

    private static final double PRIOR_LOST = 0.15;
    /** One reading of the history wrong: a dial is misread more often than a transmitter. */
    private static final double MISREAD = 0.65;

    private static final double DISTURBED = 0.04;
    /** The first reading, looked at in peace, against a later one. */
    private static final double FIRST = 0.15;
    /** A last reading that may well be wrong is read again. */
    private static final double SUSPECT = 0.2;
    /** Good enough to be left. */
    private static final double SURE = 0.9;
    /** At most a quarter while no turn was answered; then so many turns at once. */
    private static final int UNPROVEN = 4;

    private static final int MOST = 16 * 16;
    /** Steady error of a gauge that keeps its class, as a share of it. */
    private static final double STEADY = 0.4;
    /** Standard deviation of a live reading, as a share of the range. */
    private static final double TREMBLE = 0.0006;

    private final Ask ask;
    private final List<ScrewFilter> filters = new ArrayList<>();
    private final List<Double> weights = new ArrayList<>();
    private double lost;
    private double suspect;

    TurnChoice(Ask ask) {
        this.ask = ask;
        weigh();
    }

    /** First over all slopes there may be, then finer over those that are left. */
    private void weigh() {
        double from = FLATTEST * ask.slope();
        double to = STEEPEST * ask.slope();
        Weighed coarse = weighed(slopes(from, to, COARSE));
        double cell = (to - from) / (COARSE - 1);
        double least = to;
        double most = from;
        for (int i = 0; i < coarse.weights.length; i++) {
            if (coarse.weights[i] > LEFT) {
                double slope = coarse.filters.get(i).way.slope();
                least = Math.min(least, slope - cell);
                most = Math.max(most, slope + cell);
            }
        }
        keep(ask.history().size() == 1 ? coarse : weighed(slopes(Math.max(from, least), Math.min(to, most), FINE)));
    }

    private static double[] slopes(double from, double to, int n) {
        double[] slopes = new double[n];
        for (int i = 0; i < n; i++) {
            slopes[i] = from + (to - from) * i / (n - 1);
        }
        return slopes;
    }

    private record Weighed(List<ScrewFilter> filters, double[] weights) {}

    private Weighed weighed(double[] slopes) {
        double[] turns = NextTurn.column(ask.history(), true);
        double[] reads = NextTurn.column(ask.history(), false);
        int n = reads.length;
        double eye = ask.division() / 4 / Math.sqrt(3);
        double variance = Math.pow(TREMBLE * ask.range(), 2) + eye * eye;
        List<ScrewFilter> all = new ArrayList<>();
        int lostWays = 0;
        int soundWays = 0;
        for (ScrewFilter.Way way : ScrewFilter.ways(slopes, ask.low(), ask.high(), n)) {
            lostWays += way.lostFrom() < n ? 1 : 0;
            soundWays += way.lostFrom() < n || way.outlier() >= 0 ? 0 : 1;
            all.add(new ScrewFilter(way, variance).over(turns, reads));
        }
        double[] weights = new double[all.size()];
        double best = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < weights.length; i++) {
            ScrewFilter f = all.get(i);
            weights[i] = f.logLikelihood + Math.log(prior(f.way, n, lostWays, soundWays));
            best = Math.max(best, weights[i]);
        }
        double sum = 0;
        for (int i = 0; i < weights.length; i++) {
            weights[i] = Math.exp(weights[i] - best);
            sum += weights[i];
        }
        for (int i = 0; i < weights.length; i++) {
            weights[i] /= sum;
        }
        return new Weighed(all, weights);
    }

    private double prior(ScrewFilter.Way way, int n, int lostWays, int soundWays) {
        if (way.lostFrom() < n) {
            return PRIOR_LOST / lostWays;
        }
        double misread = n == 1 ? 0 : ask.division() > 0 ? MISREAD : DISTURBED;
        double reading = way.outlier() < 0 ? 1 - misread : misread * (way.outlier() == 0 ? FIRST : 1) / (n - 1 + FIRST);
        double rise = way.rise() > 1 ? RISES : 1 - RISES;
        // Never quite zero: a logarithm is taken of it.
        return Math.max(1e-300, (1 - PRIOR_LOST) * reading * rise * 2 / soundWays);
    }

    private void keep(Weighed weighed) {
        int n = ask.history().size();
        for (int i = 0; i < weighed.weights.length; i++) {
            ScrewFilter f = weighed.filters.get(i);
            double w = weighed.weights[i];
            if (f.way.lostFrom() < n) {
                lost += w;
            } else if (w > 1e-7) {
                filters.add(f);
                weights.add(w);
            }
            suspect += f.way.outlier() == n - 1 ? w : 0;
        }
        double left = weights.stream().mapToDouble(Double::doubleValue).sum();
        weights.replaceAll(w -> w / Math.max(left, 1e-300));
        suspect /= Math.max(1e-12, 1 - lost);
    }

    NextTurn advice() {
        boolean turned = ask.history().stream().anyMatch(r -> r.turns() != 0);
        if (lost > LOST || filters.isEmpty()) {
            return new NextTurn.NoGauge();
        }
        double now = inside(0);
        if (now >= SURE && suspect < SUSPECT) {
            return new NextTurn.Leave();
        }
        int most = turned ? MOST : UNPROVEN;
        int chosen = 0;
        double chance = now;
        for (int k = -most; k <= most; k++) {
            double turns = k * NextTurn.SIXTEENTH;
            if (k == 0 || k > 0 && !bearable(turns)) {
                if (k > 0) {
                    break;
                }
                continue;
            }
            double in = inside(turns);
            if (in > chance + 1e-9) {
                chance = in;
                chosen = k;
            }
        }
        // The first answer is told from a misread one by the next turn; a later one is read again before it is built
        // on.
        boolean later = ask.history().size() > 2 || chosen <= UNPROVEN;
        if (turned && later && suspect > SUSPECT) {
            return turn(0);
        }
        return ended(chosen, most);
    }

    /** What is advised when {@code chosen} sixteenths have the best chance to end inside. */
    private NextTurn ended(int chosen, int most) {
        double p = mean(0);
        if (chosen != 0) {
            return turn(chosen * NextTurn.SIXTEENTH);
        }
        if (Math.abs(p - ask.target()) <= ask.tolerance()) {
            return new NextTurn.Leave();
        }
        boolean in = p < ask.target();
        double next = mean(in ? NextTurn.SIXTEENTH : -NextTurn.SIXTEENTH);
        boolean limited = in && limited(NextTurn.SIXTEENTH);
        // The other side is no nearer.
        boolean finest = Math.abs(next - ask.target()) >= Math.abs(p - ask.target());
        if (finest && !limited) {
            return new NextTurn.Finest();
        }
        // None ends inside for sure: towards it as far as is safe.
        int far = 0;
        for (int k = 1; k <= most && (!in || bearable(k * NextTurn.SIXTEENTH)); k++) {
            double to = mean((in ? k : -k) * NextTurn.SIXTEENTH);
            if (in ? to > ask.target() : to < ask.target()) {
                break;
            }
            far = in ? k : -k;
        }
        return far == 0 && limited ? new NextTurn.Stop() : turn(far * NextTurn.SIXTEENTH);
    }

    private boolean bearable(double turns) {
        return beyond(turns) < CHANCE && !limited(turns);
    }

    /** Whether any way that is believed at all could pass the limit by this turn, made exactly. */
    private boolean limited(double turns) {
        if (ask.limit().isEmpty()) {
            return false;
        }
        double most = ask.limit().getAsDouble() - ask.error() - ask.division() / 2;
        for (int i = 0; i < filters.size(); i++) {
            if (weights.get(i) > 1e-4) {
                double to = filters.get(i).after(turns);
                if (to + 2.5 * filters.get(i).deviation(to, turns, false) > most) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Chance that the true pressure passes the target by two tolerances. */
    private double beyond(double turns) {
        double edge = ask.target() + FAR * ask.tolerance() - STEADY * ask.error() / 2;
        double chance = 0;
        for (int i = 0; i < filters.size(); i++) {
            double to = filters.get(i).after(turns);
            chance += weights.get(i) * (1 - normal((edge - to) / filters.get(i).deviation(to, turns, true)));
        }
        return chance;
    }

    /** Chance that the true pressure ends inside the tolerance; the gauge's steady error is spread evenly. */
    private double inside(double turns) {
        double chance = 0;
        for (int i = 0; i < filters.size(); i++) {
            double to = filters.get(i).after(turns);
            double sd = filters.get(i).deviation(to, turns, true);
            for (double bias : new double[] {-0.8, -0.4, 0, 0.4, 0.8}) {
                double off = to - ask.target() + bias * STEADY * ask.error();
                chance += weights.get(i)
                        / 5
                        * (normal((ask.tolerance() - off) / sd) - normal((-ask.tolerance() - off) / sd));
            }
        }
        return chance;
    }

    private double mean(double turns) {
        double mean = 0;
        for (int i = 0; i < filters.size(); i++) {
            mean += weights.get(i) * filters.get(i).after(turns);
        }
        return mean;
    }

    private NextTurn turn(double turns) {
        double mean = mean(turns);
        double square = 0;
        for (int i = 0; i < filters.size(); i++) {
            double to = filters.get(i).after(turns);
            double sd = filters.get(i).deviation(to, turns, true);
            square += weights.get(i) * (sd * sd + (to - mean) * (to - mean));
        }
        double band = 2 * Math.sqrt(square);
        return new NextTurn.Turn(turns, mean, Math.max(0, mean - band), mean + band);
    }

    /** Of the standard normal distribution, to 1e-7 (Abramowitz and Stegun, 26.2.17). */
    static double normal(double x) {
        double z = Math.abs(x);
        double t = 1 / (1 + 0.2316419 * z);
        double tail = Math.exp(-z * z / 2)
                / Math.sqrt(2 * Math.PI)
                * t
                * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        return x > 0 ? 1 - tail : tail;
    }
}
