package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.quantity.Si;
import earlygate.solve.SteadyState;
import earlygate.unit.Electric;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Moved up and down by more than the gauge's error, the reading follows by at least half. A relief that is backed out
 * until it cracks is held by the pump: the fall must be seen, or the current climb.
 */
final class ReadingFollowsScrew implements Check {
    private static final double HALF = 0.5;
    private static final double BAND = 6 * Si.BAR;
    /** Share of a flow or a power limit that it is moved by, and of that what its reading must follow. */
    private static final double RATE_NUDGE = 0.05;

    private static final double RATE_FOLLOWS = 0.2;
    /** Of a motor's rated current, more than any clamp meter is off. */
    private static final double CLIMBS = 0.05;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            if (s.step().goal().orElse(null) instanceof Goal.Rate rate
                    && s.state().isPresent()) {
                Setting x = replay.unit.setting(s.step().setting().orElseThrow());
                for (int way : List.of(-1, 1)) {
                    rateFollows(replay, s, x, rate, way).ifPresent(found::add);
                }
            }
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

    /** Moved by a twentieth, what the meter or the drive shows goes the same way, by more than a trace. */
    private static Optional<Violation> rateFollows(
            Replay replay, Replay.ReplayedStep s, Setting x, Goal.Rate rate, int way) {
        double at = replay.unit.at(s.at()).setting(x.id());
        double to = x.screw().clamp(at * (1 + way * RATE_NUDGE));
        if (Math.abs(to - at) < RATE_NUDGE / 2 * at) {
            return Optional.empty();
        }
        Optional<SteadyState> moved = replay.model.solve(s.at().withSetting(x.id(), to));
        OptionalDouble now = rate(replay, s, s.state(), rate);
        OptionalDouble then = rate(replay, s, moved, rate);
        double least = RATE_FOLLOWS * rate.target() * Math.abs(to - at) / at;
        return unless(
                now.isPresent() && then.isPresent() && way * (then.getAsDouble() - now.getAsDouble()) >= least,
                s,
                Reason.of("audit.rate-does-not-follow").name("setting", x.id()).name("instrument", rate.testPoint()));
    }

    private static Optional<Violation> unless(boolean follows, Replay.ReplayedStep s, Reason reason) {
        return follows
                ? Optional.empty()
                : Optional.of(new Violation(Point.DECIDES, s.step().id(), reason));
    }

    private static OptionalDouble rate(
            Replay replay, Replay.ReplayedStep s, Optional<SteadyState> state, Goal.Rate rate) {
        if (state.isEmpty()) {
            return OptionalDouble.empty();
        }
        return rate.quantity() == Kind.FLOW
                ? replay.flow(s.at(), state.get(), rate.testPoint())
                : OptionalDouble.of(state.get().driver(rate.testPoint()).current());
    }

    private static Optional<Violation> follows(Replay replay, Replay.ReplayedStep s, Setting x, Goal goal, int way) {
        TestPoint gauge = replay.unit.testPoint(goal.testPoint());
        // In time a cut-out is read as the highest: at rest the valve stands open and its own band is in the way.
        boolean moving = s.step().expect().stream().anyMatch(e -> e.take() != Expect.Take.STANDING);
        if (moving) {
            return Optional.empty();
        }
        // A crack is found against the pump, which gives way over its own band first.
        double by = 2 * gauge.errorPa() + (s.step().cracks() ? BAND : 0.1 * Si.BAR);
        double at = replay.unit.at(s.at()).setting(x.id());
        double to = x.screw().clamp(at + way * by);
        if (Math.abs(to - at) < by / 2) {
            return Optional.empty();
        }
        OptionalDouble now = reads(replay, s.state(), goal);
        OptionalDouble then = reads(replay, replay.model.solve(s.at().withSetting(x.id(), to)), goal);
        double least = s.step().cracks() ? gauge.errorPa() : (HALF - 1e-3) * Math.abs(to - at);
        boolean follows =
                now.isPresent() && then.isPresent() && way * (then.getAsDouble() - now.getAsDouble()) >= least;
        return unless(
                follows || s.step().cracks() && climbs(replay, s, s.at().withSetting(x.id(), to)),
                s,
                Reason.of(way > 0 ? "audit.does-not-follow-up" : "audit.does-not-follow-down")
                        .name("setting", x.id())
                        .name("gauge", gauge.id())
                        .pressure("by", Math.abs(to - at)));
    }

    /** A soft relief hardly pulls the gauge down; the current of whoever drives the pump tells it sooner. */
    private static boolean climbs(Replay replay, Replay.ReplayedStep s, Situation cracked) {
        Optional<SteadyState> then = replay.model.solve(cracked);
        return then.isPresent()
                && replay.unit.all(Electric.class).stream()
                        .anyMatch(m -> then.get().driver(m.id()).current()
                                        - s.state().get().driver(m.id()).current()
                                >= CLIMBS * m.ratedCurrent());
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
