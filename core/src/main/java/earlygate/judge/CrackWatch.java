package earlygate.judge;

import earlygate.solve.Model;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A relief that is backed out while something else holds its line, watched: what stands, whether it has begun to pass and
 * where it then stands itself. A turn inward, or anything else that moves the line, begins it anew: a fall says something
 * only after a gauge that stood. Looked at once a second of the machine, over the last two minutes. Pa, A, s.
 */
final class CrackWatch {
    private static final double LOOK_S = 1;
    private static final double LONGEST_S = 120;
    /** The gauge must have stood so long before a fall means something. */
    private static final double STANDS_S = 3;
    /** A minute after the crack nothing new is learned of it. */
    private static final double AFTER_S = 60;
    /** After an inward turn the line takes so long to come up again. */
    private static final double QUIET_S = 1.5;

    private final Model model;
    private final Watch.CurrentScrew sought;
    private final List<double[]> samples = new ArrayList<>();
    private final List<ReliefEstimate.Turned> turns = new ArrayList<>();
    private double from = Double.NEGATIVE_INFINITY;
    private double lookedAt = Double.NEGATIVE_INFINITY;
    private OptionalDouble held = OptionalDouble.empty();
    private boolean stood;
    private boolean drawn = true;
    private Optional<CrackSearch> found = Optional.empty();
    private Optional<ReliefEstimate> place = Optional.empty();

    CrackWatch(Model model, Watch.CurrentScrew sought) {
        this.model = model;
        this.sought = sought;
    }

    /** @param settled the gauge stands still by itself */
    void add(double timeS, double pa, OptionalDouble amps, boolean settled) {
        if (timeS < from || found.isPresent() && timeS - found.get().atS() > AFTER_S) {
            return;
        }
        drawn &= amps.isPresent();
        samples.add(new double[] {timeS, pa, amps.orElse(0)});
        if (found.isEmpty() && timeS - samples.get(0)[0] > LONGEST_S) {
            samples.remove(0);
        }
        stood |= settled && timeS - samples.get(0)[0] >= STANDS_S;
        if (stood && Math.abs(timeS - lookedAt) >= LOOK_S) {
            lookedAt = timeS;
            look();
        }
    }

    void turned(double timeS, double made) {
        if (made > 0) {
            anew(timeS + QUIET_S);
        } else if (made < 0) {
            turns.add(new ReliefEstimate.Turned(timeS, made));
        }
    }

    void anew(double timeS) {
        samples.clear();
        turns.clear();
        from = timeS;
        stood = false;
        held = OptionalDouble.empty();
        drawn = true;
        found = Optional.empty();
        place = Optional.empty();
    }

    private void look() {
        double[] times = column(0);
        double[] gauge = column(1);
        Optional<double[]> amps = drawn ? Optional.of(column(2)) : Optional.empty();
        Optional<CrackSearch> now = CrackSearch.in(times, gauge, amps);
        // Once it was told, it stays told.
        found = now.isPresent() ? now : found;
        held = OptionalDouble.of(found.map(CrackSearch::held).orElseGet(this::level));
        place = found.flatMap(crack -> placed(new ReliefEstimate.Stream(times, gauge, amps), crack));
    }

    private double[] column(int which) {
        return samples.stream().mapToDouble(s -> s[which]).toArray();
    }

    private Optional<ReliefEstimate> placed(ReliefEstimate.Stream stream, CrackSearch crack) {
        return ReliefEstimate.of(model, sought.situation(), sought.setting(), stream, List.copyOf(turns), crack);
    }

    /** What the gauge stood at before the first turn. */
    private double level() {
        double before =
                turns.isEmpty() ? Double.POSITIVE_INFINITY : turns.get(0).atS() - QUIET_S;
        return samples.stream()
                .filter(s -> s[0] <= before)
                .mapToDouble(s -> s[1])
                .average()
                .orElse(samples.get(0)[1]);
    }

    Watch.Cracks seen() {
        double now = samples.isEmpty() ? 0 : samples.get(samples.size() - 1)[1];
        OptionalDouble fall = found.isPresent() ? OptionalDouble.of(held.orElseThrow() - now) : OptionalDouble.empty();
        return new Watch.Cracks(held, found.isPresent(), fall, place);
    }

    /** The same where a hand says that it passes now, and nothing was found yet; empty while the gauge doesn't bear it out. */
    Optional<ReliefEstimate> placeAtTap() {
        if (place.isPresent() || samples.isEmpty() || held.isEmpty()) {
            return place;
        }
        double now = samples.get(samples.size() - 1)[0];
        double atS = turns.isEmpty() ? now : turns.get(turns.size() - 1).atS();
        Optional<double[]> amps = drawn ? Optional.of(column(2)) : Optional.empty();
        double[] times = column(0);
        double[] gauge = column(1);
        return CrackSearch.heard(times, gauge, atS)
                .flatMap(crack -> placed(new ReliefEstimate.Stream(times, gauge, amps), crack));
    }
}
