package earlygate.run;

import earlygate.judge.Holder;
import earlygate.judge.NextTurn;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.ReliefEstimate.Believed;
import earlygate.judge.Slope;
import earlygate.judge.Watch.CurrentScrew;
import earlygate.plan.Step;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * What the model says of one plan's steps, each answer computed when it is first asked for and kept over many folds of
 * the run. Safe for several threads.
 */
public final class ModelCache {
    /** Of steps with what was measured before them; a run that is read again and again begins anew after so many. */
    private static final int MOST_KEPT = 2000;

    /** Of a gauge's error limit, what two readings of it by one eye differ by though nothing moved. */
    private static final double READ_BY_EYE = 0.25;

    private record Reads(CurrentScrew hand, double reads, Map<String, Double> others) {}

    private record Fell(Situation at, String relief, double held, double now, Optional<Believed> believed) {}

    private record Asked(String step, Map<String, Double> standing) {}

    private record Drawn(String step, String drive, double reads) {}

    private final Model model;
    private final Map<String, Optional<GaugeCurve>> curves = new HashMap<>();
    private final Map<Asked, MeasuredOffsets.AdjustedStep> shifted = new HashMap<>();
    private final Map<Asked, Optional<Double>> slopes = new HashMap<>();
    private final Map<NextTurn.Ask, NextTurn> turns = new HashMap<>();
    private final Map<NextTurn.Ask, Slope> learned = new HashMap<>();
    private final Map<Fell, Optional<ReliefEstimate>> places = new HashMap<>();
    private final Map<Drawn, Optional<Double>> drawn = new HashMap<>();
    private final Map<Reads, List<Holder>> holders = new HashMap<>();

    public ModelCache(PowerUnit unit) {
        this.model = Model.forDays(unit);
    }

    Model model() {
        return model;
    }

    /** Empty where the model has no answer or the gauge never follows the step's screw. */
    synchronized Optional<GaugeCurve> curve(Step step) {
        return curves.computeIfAbsent(step.id(), id -> GaugeCurve.of(model, step));
    }

    /** The step with settings standing where they were measured, Pa. */
    synchronized MeasuredOffsets.AdjustedStep shifted(
            Step step, Map<String, Double> standing, Supplier<MeasuredOffsets.AdjustedStep> computed) {
        if (shifted.size() > MOST_KEPT) {
            shifted.clear();
            slopes.clear();
        }
        return shifted.computeIfAbsent(new Asked(step.id(), Map.copyOf(standing)), asked -> computed.get());
    }

    /** Pa of a step's reading per Pa of a setting, with others standing where they were measured. */
    synchronized Optional<Double> slope(
            Step step, String setting, Map<String, Double> standing, Supplier<Optional<Double>> computed) {
        return slopes.computeIfAbsent(
                new Asked(step.id() + " " + setting, Map.copyOf(standing)), asked -> computed.get());
    }

    /** A that a drive draws in a step whose load was opened to a reading, Pa. */
    synchronized Optional<Double> drawn(Step step, String drive, double reads, Supplier<Optional<Double>> computed) {
        return kept(drawn, new Drawn(step.id(), drive, reads), asked -> computed.get());
    }

    synchronized NextTurn next(NextTurn.Ask ask) {
        return kept(turns, ask, NextTurn::of);
    }

    synchronized Slope learned(NextTurn.Ask ask) {
        return kept(learned, ask, NextTurn::learned);
    }

    /** Where a relief stands whose gauge held one pressure and fell to another, Pa; each read by eye. */
    synchronized Optional<ReliefEstimate> stands(Step step, double held, double now, Optional<Believed> believed) {
        double error = byEye(model.unit().testPoint(step.goal().orElseThrow().testPoint()));
        return kept(
                places,
                new Fell(step.situation(), step.setting().orElseThrow(), held, now, believed),
                f -> ReliefEstimate.ofReadings(model, f.at(), f.relief(), f.held(), f.now(), error, f.believed()));
    }

    /** Who could hold the gauge of the screw at hand at a reading, the likeliest first. */
    synchronized List<Holder> holders(CurrentScrew hand, double reads, Map<String, Double> others) {
        return kept(
                holders,
                new Reads(hand, reads, Map.copyOf(others)),
                r -> Holder.of(model, r.hand(), r.reads(), r.others()));
    }

    private static <K, V> V kept(Map<K, V> memo, K key, Function<K, V> computed) {
        if (memo.size() > MOST_KEPT) {
            memo.clear();
        }
        return memo.computeIfAbsent(key, computed);
    }

    /** Standard deviation of one reading about what a gauge shows, Pa. */
    static double byEye(TestPoint gauge) {
        return READ_BY_EYE * gauge.errorPa();
    }
}
