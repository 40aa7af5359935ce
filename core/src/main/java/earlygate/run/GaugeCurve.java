package earlygate.run;

import static earlygate.quantity.Si.BAR;

import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Setting;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a step's gauge shows by the model while its own screw goes from end to end and everything else stays as the step
 * has it. Where it rises with the screw the screw has the gauge; at the flat ends somebody else has it, and turning must
 * be silent there. Pa.
 *
 * @param lowEnd reading below which another limiter, or nothing, decides; {@code highEnd} above which one does
 * @param lowHolder who has the gauge at the low end; {@code highHolder} at the high end
 * @param from setting at which the gauge begins to follow; {@code to} at which it ceases
 */
public record GaugeCurve(
        double lowEnd,
        double highEnd,
        double from,
        double to,
        Optional<String> lowHolder,
        Optional<String> highHolder) {
    private static final int POINTS = 32;
    /** Pa of reading per Pa of setting, from which on the gauge follows. */
    private static final double FOLLOWS = 0.5;
    /** How far a real limiter may stand from the model's. */
    private static final double SPREAD = 0.06;

    private record Point(double setting, double reading, Optional<String> holder) {}

    /** Empty where the model has no answer or the gauge never follows. */
    static Optional<GaugeCurve> of(Model model, Step step) {
        Setting s = model.unit().setting(step.setting().orElseThrow());
        Goal.Measured goal = step.measured().orElseThrow();
        List<Point> points = new ArrayList<>();
        for (int i = 0; i <= POINTS; i++) {
            double at = s.screw().minPa() + (s.screw().maxPa() - s.screw().minPa()) * i / POINTS;
            model.solve(step.situation().withSetting(s.id(), at))
                    .ifPresent(state -> points.add(point(model, goal, at, state)));
        }
        int first = -1;
        int last = -1;
        for (int i = 1; i < points.size(); i++) {
            double slope = (points.get(i).reading() - points.get(i - 1).reading())
                    / (points.get(i).setting() - points.get(i - 1).setting());
            boolean own = other(points.get(i - 1).holder(), s.id()).isEmpty()
                    && other(points.get(i).holder(), s.id()).isEmpty();
            if (slope >= FOLLOWS && own) {
                first = first < 0 ? i - 1 : first;
                last = i;
            }
        }
        if (first < 0) {
            return Optional.empty();
        }
        Point low = points.get(first);
        Point high = points.get(last);
        double target = goal.targetPa();
        // The next point already shows where the other limiter holds it.
        double top = last + 1 < points.size() ? points.get(last + 1).reading() : high.reading();
        double to = high.setting() + Math.max(0, top - high.reading());
        double lowEnd = first == 0
                ? 0
                : low.reading() + Math.min(SPREAD * low.reading() + BAR, Math.max(0, target - low.reading()) / 2);
        double highEnd = last == points.size() - 1
                ? Double.POSITIVE_INFINITY
                : top - Math.min(SPREAD * top, Math.max(0, top - target) / 2);
        return Optional.of(new GaugeCurve(
                lowEnd,
                highEnd,
                low.setting(),
                to,
                other(points.get(0).holder(), s.id()),
                other(points.get(points.size() - 1).holder(), s.id())));
    }

    private static Optional<String> other(Optional<String> holder, String self) {
        return holder.filter(h -> !h.equals(self));
    }

    private static Point point(Model model, Goal goal, double at, SteadyState state) {
        TestPoint gauge = model.unit().testPoint(goal.testPoint());
        double reading = state.pressure(gauge.line())
                - goal.minus()
                        .map(m -> state.pressure(model.unit().testPoint(m).line()))
                        .orElse(0.0);
        return new Point(at, reading, state.limiterOf(gauge.line()));
    }

    /** Somebody else may have the gauge at this reading, from above. */
    boolean above(double readingPa) {
        return readingPa >= highEnd;
    }

    /** Somebody else may have the gauge at this reading, from below. */
    boolean below(double readingPa) {
        return readingPa <= lowEnd;
    }
}
