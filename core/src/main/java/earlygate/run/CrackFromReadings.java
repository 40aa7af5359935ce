package earlygate.run;

import earlygate.judge.CrackSearch.AmongReadings;
import earlygate.judge.NextTurn;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.ReliefEstimate.Believed;
import earlygate.judge.Slope;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Stopped;
import earlygate.run.RunEvent.Turned;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * The crack of a relief that is backed out at a machine without live gauges, by what was read between its turns.
 *
 * @param heldPa what stood before it fell
 * @param fallPa by how much the last reading lies lower
 * @param stands where the relief itself stands; empty before it has cracked
 */
public record CrackFromReadings(double heldPa, double fallPa, State state, Optional<ReliefEstimate> stands) {
    public enum State {
        HOLDS,
        /** Turned in after a crack, and not read since. */
        TO_READ,
        /** Lower than it should be, which may be a slip. */
        SUSPECTED,
        FELL,
        /** Turned in after a crack to where turns and gauge agree that it stands right. */
        CAME_IN
    }

    public boolean found() {
        return state == State.FELL || state == State.CAME_IN;
    }

    /** Empty where nothing was read since the line was last moved by anything else than this relief. */
    static Optional<CrackFromReadings> of(RunState run, Step step) {
        if (run.onRig() || !step.cracks() || step.kind() != Step.Kind.SET) {
            return Optional.empty();
        }
        Log log = new Log(run, step);
        for (RunEvent e : run.events()) {
            if (!run.isStruck(e.seq())
                    && e.body() instanceof OfStep of
                    && of.step().equals(step.id())) {
                log.add(e, of);
            }
        }
        return log.reads.isEmpty() ? Optional.empty() : Optional.of(log.told());
    }

    /** More readings than a hand takes between two turns in; the oldest go, for each of them is held against all others. */
    private static final int MOST_READ = 32;

    private record Read(double timeS, double pa) {}

    /** What was read and turned since the line was last moved otherwise. */
    private static final class Log {
        private final RunState run;
        private final Step step;
        private final TestPoint gauge;
        private final double byEye;
        private List<Read> reads = new ArrayList<>();
        private Optional<ReliefEstimate> cracked = Optional.empty();
        private Optional<Double> marked = Optional.empty();
        private final List<Double> turnedSince = new ArrayList<>();
        private boolean read;

        Log(RunState run, Step step) {
            this.run = run;
            this.step = step;
            gauge = run.unit().testPoint(step.goal().orElseThrow().testPoint());
            byEye = ModelCache.byEye(gauge);
        }

        void add(RunEvent e, OfStep of) {
            if (of instanceof Reading r && r.instrument().equals(gauge.id())) {
                reads.add(new Read(e.at().toEpochMilli() / 1000.0, r.value()));
                if (reads.size() > MOST_READ) {
                    reads.remove(0);
                }
                read = true;
                // Marked by hand, the reading after it tells where it then stood.
                cracked = cracked.or(() -> marked.filter(m -> turnedSince.isEmpty())
                        .flatMap(m -> run.answers().stands(step, m, r.value(), Optional.empty())));
            } else if (of instanceof Cracked c) {
                cracked = c.stands();
                marked = Optional.of(c.pressurePa());
                turnedSince.clear();
            } else if (of instanceof Turned t
                    && step.setting().filter(t.setting()::equals).isPresent()) {
                turnedSince.add(t.turns());
                read = false;
                // Turned in, the line comes up to what it held before; what was read below that says no more.
                if (t.turns() > 0) {
                    reads = stood();
                }
            } else if (movesTheLine(of)) {
                reads.clear();
                cracked = Optional.empty();
                marked = Optional.empty();
            }
        }

        private static boolean movesTheLine(OfStep of) {
            return of instanceof Turned
                    || of instanceof Handled h && StepRecord.MOVES_THE_LINE.contains(h.action())
                    || of instanceof Stopped
                    || of instanceof RunEvent.Again
                    || of instanceof RunEvent.Reopened;
        }

        /** Those before the fall; all of them where there was none. */
        private List<Read> stood() {
            return new ArrayList<>(fall().map(c -> reads.subList(0, c.first())).orElse(reads));
        }

        private Optional<AmongReadings> fall() {
            return AmongReadings.of(times(), pa(reads), byEye);
        }

        private double[] times() {
            return reads.stream().mapToDouble(Read::timeS).toArray();
        }

        private static double[] pa(List<Read> reads) {
            return reads.stream().mapToDouble(Read::pa).toArray();
        }

        CrackFromReadings told() {
            double now = reads.get(reads.size() - 1).pa();
            Optional<CrackFromReadings> in = cameIn(now);
            if (in.isPresent()) {
                return in.get();
            }
            Optional<AmongReadings> fall = fall();
            if (fall.isPresent()) {
                double held = fall.get().held();
                // Turned further since it was read, it stands elsewhere by now.
                Optional<ReliefEstimate> stands =
                        read ? run.answers().stands(step, held, now, Optional.empty()) : Optional.empty();
                return new CrackFromReadings(held, held - now, State.FELL, stands);
            }
            boolean suspected = AmongReadings.suspects(times(), pa(reads), byEye);
            double held = middle(suspected ? reads.subList(0, reads.size() - 1) : reads);
            return new CrackFromReadings(held, held - now, suspected ? State.SUSPECTED : State.HOLDS, Optional.empty());
        }

        /** It went past its crack to a place that is known; where it came in to, turns and gauge tell together. */
        private Optional<CrackFromReadings> cameIn(double now) {
            double in = turnedSince.stream().mapToDouble(Double::doubleValue).sum();
            if (cracked.isEmpty() || in <= 0) {
                return Optional.empty();
            }
            double held = middle(read ? reads.subList(0, Math.max(1, reads.size() - 1)) : reads);
            if (!read) {
                return Optional.of(new CrackFromReadings(held, 0, State.TO_READ, Optional.empty()));
            }
            Believed believed = believed(cracked.get(), in);
            return run.answers()
                    .stands(step, held, now, Optional.of(believed))
                    .filter(place -> believed.settingPa() <= held && isRight(place, believed))
                    .map(place -> new CrackFromReadings(held, held - now, State.CAME_IN, Optional.of(place)));
        }

        private Believed believed(ReliefEstimate was, double in) {
            Slope slope = run.slope(step.setting().orElseThrow());
            double hand = NextTurn.SIXTEENTH / 2 / Math.sqrt(3) * Math.sqrt(turnedSince.size()) * slope.perTurn();
            double sure = Math.hypot(was.errorPa(), Math.hypot(hand, in * slope.sd()));
            return new Believed(was.settingPa() + in * slope.perTurn(), sure);
        }

        private boolean isRight(ReliefEstimate place, Believed believed) {
            Goal.Measured goal = step.measured().orElseThrow();
            return !ReliefCheck.isTooLow(run, step, place)
                    && place.high() <= goal.targetPa() + goal.tolerancePa()
                    && Math.abs(place.settingPa() - believed.settingPa()) <= 2 * believed.errorPa();
        }

        private static double middle(List<Read> reads) {
            double[] pa = pa(reads);
            Arrays.sort(pa);
            return pa[pa.length / 2];
        }
    }
}
