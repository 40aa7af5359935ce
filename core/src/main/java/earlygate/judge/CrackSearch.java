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
    /** Single readings are few, so few moments can be mistaken for a crack. */
    private static final double READ = 3.3;

    private static final double SUSPECT = 2.5;
    /** An ear has said that it passes: the gauge need only bear it out. */
    private static final double HEARD = 3;
    /** Blocks that must stand before, and single readings. */
    private static final int BEFORE = 3;

    private static final int READ_BEFORE = 2;
    /** Between two single readings no more drift than this long would bring. */
    private static final double PAUSE_S = 15;

    private static final int LAST = 3;
    /** In standard errors: above what stood, not by chance. */
    private static final double SURELY = 4;

    /** Empty while nothing has cracked. {@code amps} is empty for a drive without a current. */
    public static Optional<CrackSearch> in(double[] times, double[] gauge, Optional<double[]> amps) {
        if (times.length < 2) {
            return Optional.empty();
        }
        Optional<Blocks> a = amps.map(x -> new Blocks(times, x));
        double alone = a.isPresent() ? ALONE_BESIDE_CURRENT : ALONE;
        Search search = new Search(new Blocks(times, gauge), a, BEFORE, alone, LAST);
        return search.found().map(f -> {
            Fall fall = search.fall(f);
            double[] at = search.g.time;
            return new CrackSearch((at[f.from] + at[f.from - 1]) / 2, fall.level(), fall.levelError());
        });
    }

    /**
     * Whether the gauge has fallen since a moment at which a hand heard it, and what it held before; a look at one moment
     * alone, so that less of a fall is enough. Empty while it has not.
     */
    static Optional<CrackSearch> heard(double[] times, double[] gauge, double atS) {
        Blocks g = new Blocks(times, gauge);
        int from = 0;
        while (from < g.n && g.time[from] < atS) {
            from++;
        }
        // A turn takes its time: what begins with the last block is not seen yet.
        from = Math.min(from, g.n - 1);
        if (from < BEFORE) {
            return Optional.empty();
        }
        Fall fall = Fall.at(g, from, false, DRIFT * g.mean[0], -1);
        return -fall.z() > HEARD
                ? Optional.of(new CrackSearch(atS, fall.level(), fall.levelError()))
                : Optional.empty();
    }

    /**
     * The same where a gauge is read and typed now and then.
     *
     * @param first which reading is the first that lies lower
     * @param held what stood before, in the unit of the readings
     */
    public record AmongReadings(int first, double held) {
        /** Two must have stood before, and two tell the fall; whichever is left out, for one may be a slip. */
        public static Optional<AmongReadings> of(double[] times, double[] gauge, double error) {
            if (gauge.length <= READ_BEFORE) {
                return Optional.empty();
            }
            Search search = search(times, gauge, error);
            return search.found()
                    .map(f -> new AmongReadings(f.from, search.fall(f).level()));
        }

        /** Whether some of them, if only the last one, are lower than the others let expect: a crack, or a slip. */
        public static boolean suspects(double[] times, double[] gauge, double error) {
            int n = gauge.length;
            if (n < 2) {
                return false;
            }
            Search search = search(times, gauge, error);
            double last = -Fall.at(search.g, n - 1, false, DRIFT * gauge[0], -1).z();
            return last > SUSPECT || search.best(-1) != null;
        }

        private static Search search(double[] times, double[] gauge, double error) {
            return new Search(blocks(times, gauge, error), Optional.empty(), READ_BEFORE, READ, gauge.length);
        }

        private static Blocks blocks(double[] times, double[] gauge, double error) {
            double[] near = times.clone();
            for (int i = 1; i < near.length; i++) {
                near[i] = near[i - 1] + Math.min(PAUSE_S, times[i] - times[i - 1]);
            }
            return new Blocks(near, gauge, error);
        }
    }

    /**
     * Of one stream.
     *
     * @param alone what the gauge must reach where it alone tells
     * @param slips of so many of the last blocks each may be wrong
     */
    private record Search(Blocks g, Optional<Blocks> a, int before, double alone, int slips) {
        Optional<Found> found() {
            Found best = best(-1);
            // A gauge that jumps up bends the drift, and what came before looks like a fall beside it.
            if (best != null && hasRisen(fall(best))) {
                return Optional.empty();
            }
            for (int i = Math.max(0, g.n - slips); best != null && i < g.n; i++) {
                if (best(i) == null) {
                    return Optional.empty();
                }
            }
            return Optional.ofNullable(best);
        }

        private boolean hasRisen(Fall fall) {
            int last = g.n - 1;
            return g.mean[last] - fall.level() > SURELY * Math.hypot(g.error[last], fall.levelError());
        }

        Fall fall(Found at) {
            return Fall.at(g, at.from, at.ramp, DRIFT * g.mean[0], -1);
        }

        private Found best(int leftOut) {
            Found best = null;
            for (int from = before; from < g.n; from++) {
                if (from == g.n - 1 && from == leftOut) {
                    continue;
                }
                for (boolean ramp : new boolean[] {false, true}) {
                    double score = score(from, ramp, leftOut);
                    if (score > 1 && (best == null || score > best.score)) {
                        best = new Found(from, ramp, score);
                    }
                }
            }
            return best;
        }

        /** Above 1 where it has cracked. */
        private double score(int from, boolean ramp, int leftOut) {
            double fall = -Fall.at(g, from, ramp, DRIFT * g.mean[0], leftOut).z();
            if (a.isEmpty()) {
                return fall / alone;
            }
            double rise = Fall.at(
                            a.get(), Math.min(from, a.get().n - 1), ramp, CURRENT_DRIFT * a.get().mean[0], leftOut)
                    .z();
            double together = fall > 0 && rise > 0 ? Math.hypot(Math.min(fall, BOTH - 1), rise) / BOTH : 0;
            return Math.max(together, fall / alone);
        }
    }

    private record Found(int from, boolean ramp, double score) {}
}
