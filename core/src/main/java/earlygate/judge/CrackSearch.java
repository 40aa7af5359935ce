package earlygate.judge;

import java.util.Optional;

/**
 * When a relief that is backed out began to pass, from the stream of its gauge and, where there is one, of the current:
 * for every moment it might have been, how surely the gauge fell and the current rose from there on ({@link Fall}). Both
 * must do it, or the gauge alone much surer; and it must hold whichever of the last seconds is left out. The baseline is
 * fitted together with the change, so it can't run away with it. Source: generalised likelihood ratio test for a change.
 *
 * @param atS when it began to pass
 * @param held what stood just before, in the unit of the stream; {@code heldError} its standard error
 */
public record CrackSearch(double atS, double held, double heldError) {
    private static final double BOTH = 5.9;
    private static final double ALONE = 5.2;
    private static final double ALONE_BESIDE_CURRENT = 7;
    /** Of what stands, a second: what drift there may be, of the gauge and of the current. */
    private static final double DRIFT = 0.15 / 100 / 60;

    private static final double CURRENT_DRIFT = 0.3 / 100 / 60;
    /** Blocks that must stand before. */
    private static final int BEFORE = 3;

    private static final int LAST = 3;

    /** Empty while nothing has cracked. {@code amps} is empty for a drive without a current. */
    public static Optional<CrackSearch> in(double[] times, double[] gauge, Optional<double[]> amps) {
        if (times.length < 2) {
            return Optional.empty();
        }
        Blocks g = new Blocks(times, gauge);
        Optional<Blocks> a = amps.map(x -> new Blocks(times, x));
        Found best = best(g, a, -1);
        if (best == null) {
            return Optional.empty();
        }
        for (int i = Math.max(0, g.n - LAST); i < g.n; i++) {
            if (best(g, a, i) == null) {
                return Optional.empty();
            }
        }
        Fall fall = Fall.at(g, best.from, best.ramp, DRIFT * g.mean[0], -1);
        return Optional.of(
                new CrackSearch((g.time[best.from] + g.time[best.from - 1]) / 2, fall.level(), fall.levelError()));
    }

    private record Found(int from, boolean ramp, double score) {}

    private static Found best(Blocks g, Optional<Blocks> a, int leftOut) {
        Found best = null;
        for (int from = BEFORE; from < g.n; from++) {
            if (from == g.n - 1 && from == leftOut) {
                continue;
            }
            for (boolean ramp : new boolean[] {false, true}) {
                double score = score(g, a, from, ramp, leftOut);
                if (score > 1 && (best == null || score > best.score)) {
                    best = new Found(from, ramp, score);
                }
            }
        }
        return best;
    }

    /** Above 1 where it has cracked. */
    private static double score(Blocks g, Optional<Blocks> a, int from, boolean ramp, int leftOut) {
        double fall = -Fall.at(g, from, ramp, DRIFT * g.mean[0], leftOut).z();
        if (a.isEmpty()) {
            return fall / ALONE;
        }
        double rise = Fall.at(a.get(), Math.min(from, a.get().n - 1), ramp, CURRENT_DRIFT * a.get().mean[0], leftOut)
                .z();
        double together = fall > 0 && rise > 0 ? Math.hypot(Math.min(fall, BOTH - 1), rise) / BOTH : 0;
        return Math.max(together, fall / ALONE_BESIDE_CURRENT);
    }
}
