package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.quantity.Si;
import earlygate.solve.SteadyState;
import earlygate.unit.Setting;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Moved up and down by more than the gauge's error, the reading follows by at least half. A relief that is backed out
 * until it cracks is held by the pump: the fall must be seen.
 */
final class Decides implements Check {
    private static final double HALF = 0.5;
    private static final double BAND = 6 * Si.BAR;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        for (Replay.Stand s : replay.stands()) {
            if (s.step().judgesSetting() && s.state().isPresent()) {
                Setting x = replay.unit.setting(s.step().setting().orElseThrow());
                Goal goal = s.step().goal().orElseThrow();
                List<Integer> ways = s.step().cracks() ? List.of(-1) : List.of(-1, 1);
                for (int way : ways) {
                    follows(replay, s, x, goal, way).ifPresent(found::add);
                }
            }
        }
        return found;
    }

    private static Optional<Violation> follows(Replay replay, Replay.Stand s, Setting x, Goal goal, int way) {
        TestPoint gauge = replay.unit.testPoint(goal.testPoint());
        // In time a cut-out is read as the highest: at rest the valve stands open and its own band is in the way.
        boolean moving = s.step().expect().stream().anyMatch(e -> e.take() != Expect.Take.STANDING);
        if (moving) {
            return Optional.empty();
        }
        // A crack is found against the pump, which gives way over its own band first.
        double by = 2 * gauge.errorPa() + (s.step().cracks() ? BAND : 0.1 * Si.BAR);
        double at = Replay.setting(s.at(), x);
        double to = x.screw().clamp(at + way * by);
        if (Math.abs(to - at) < by / 2) {
            return Optional.empty();
        }
        OptionalDouble now = reads(replay, s.state(), goal);
        OptionalDouble then = reads(replay, replay.solve(s.at().withSetting(x.id(), to)), goal);
        double least = s.step().cracks() ? gauge.errorPa() : (HALF - 1e-3) * Math.abs(to - at);
        boolean follows =
                now.isPresent() && then.isPresent() && way * (then.getAsDouble() - now.getAsDouble()) >= least;
        return follows
                ? Optional.empty()
                : Optional.of(new Violation(
                        Point.DECIDES,
                        s.step().id(),
                        Reason.of(way > 0 ? "audit.does-not-follow-up" : "audit.does-not-follow-down")
                                .name("setting", x.id())
                                .name("gauge", gauge.id())
                                .pressure("by", Math.abs(to - at))));
    }

    private static OptionalDouble reads(Replay replay, Optional<SteadyState> state, Goal goal) {
        if (state.isEmpty()) {
            return OptionalDouble.empty();
        }
        double upper =
                state.get().pressure(replay.unit.testPoint(goal.testPoint()).line());
        double lower = goal.minus()
                .map(m -> state.get().pressure(replay.unit.testPoint(m).line()))
                .orElse(0.0);
        return OptionalDouble.of(upper - lower);
    }
}
