package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.solve.SteadyState;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** No line above what its weakest part stands, at rest, past the target and on the way; no drive above its rating. */
final class WithinRatings implements Check {
    private static final double PAST = 1.25;
    /** Points looked at between where a screw stood and where it comes to. */
    private static final int ON_THE_WAY = 4;
    /** Numbers of the model, not of the machine. */
    private static final double ROUNDING = 1e-6;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            Optional<Violation> first = s.state().flatMap(x -> passed(replay.unit, s.step(), x, "audit.in-the-step"));
            if (first.isEmpty() && replay.unit.at(s.at()).anyDriveRuns()) {
                first = pastTarget(replay, s).or(() -> onTheWay(replay, s));
            }
            if (first.isEmpty()) {
                first = replay.withoutUnsetLimiters(s)
                        .flatMap(x -> overload(replay.unit, s.step(), x, "audit.unset-limiter"));
            }
            first.ifPresent(found::add);
        }
        return found;
    }

    private static Optional<Violation> pastTarget(Replay replay, Replay.ReplayedStep s) {
        if (!s.step().measured().isPresent() || s.step().kind() == Step.Kind.LOCK) {
            return Optional.empty();
        }
        Setting x = replay.unit.setting(s.step().setting().orElseThrow());
        double at = replay.unit.at(s.at()).setting(x.id());
        if (replay.unit.at(s.before()).setting(x.id()) > at) {
            // Brought down, it is passed downward.
            return Optional.empty();
        }
        return replay.model
                .solve(s.at().withSetting(x.id(), x.screw().clamp(PAST * at)))
                .flatMap(state -> rating(s.step(), state, "audit.past-its-target", replay.unit::weakestForAMoment));
    }

    private static Optional<Violation> onTheWay(Replay replay, Replay.ReplayedStep s) {
        for (Setting x : replay.unit.settings()) {
            double from = replay.unit.at(s.before()).setting(x.id());
            double to = replay.unit.at(s.at()).setting(x.id());
            for (int i = 1; i < ON_THE_WAY && from != to; i++) {
                double mid = from + (to - from) * i / ON_THE_WAY;
                Optional<Violation> found = replay.model
                        .solve(s.at().withSetting(x.id(), mid))
                        .flatMap(state -> passed(replay.unit, s.step(), state, "audit.on-the-way"));
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return moveByMove(replay, s);
    }

    /** Levers, valves and drives one after another, as the step has them. */
    private static Optional<Violation> moveByMove(Replay replay, Replay.ReplayedStep s) {
        Situation at = s.before();
        for (Move m : s.step().moves()) {
            if (replay.unit.components().stream().noneMatch(c -> c.id().equals(m.id()))) {
                continue;
            }
            at = switch (m.kind()) {
                case START, STOP -> at.withDrive(m.id(), drive(s.at(), m.id(), m.kind() == Move.Kind.START));
                case OPEN -> at.gear().containsKey(m.id()) ? at : at.withOpening(m.id(), m.amount());
                case SHIFT -> at.withPosition(m.id(), m.to());
                default -> at;
            };
            Optional<Violation> found =
                    replay.model.solve(at).flatMap(state -> passed(replay.unit, s.step(), state, "audit.on-the-way"));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private static Situation.Drive drive(Situation s, String id, boolean running) {
        return s.drivers().getOrDefault(id, new Situation.Drive(running, java.util.OptionalDouble.empty()));
    }

    static Optional<Violation> passed(PowerUnit unit, Step step, SteadyState state, String when) {
        return rating(step, state, when, unit::weakest).or(() -> overload(unit, step, state, when));
    }

    private static Optional<Violation> rating(
            Step step, SteadyState state, String when, Function<String, PowerUnit.Rating> stands) {
        for (Map.Entry<String, Double> line : state.pressures().entrySet()) {
            PowerUnit.Rating weakest = stands.apply(line.getKey());
            if (line.getValue() > weakest.pressurePa() * (1 + ROUNDING)) {
                return Optional.of(new Violation(
                        Point.WITHIN_RATINGS,
                        step.id(),
                        Reason.of("audit.rating")
                                .said("when", Reason.of(when))
                                .name("line", line.getKey())
                                .name("part", weakest.part())
                                .pressure("pressure", line.getValue())
                                .pressure("rating", weakest.pressurePa())));
            }
        }
        return Optional.empty();
    }

    private static Optional<Violation> overload(PowerUnit unit, Step step, SteadyState state, String when) {
        for (Driver d : unit.all(Driver.class)) {
            double load = state.driver(d.id()).load();
            if (load > d.serviceFactor() * (1 + ROUNDING)) {
                return Optional.of(new Violation(
                        Point.WITHIN_RATINGS,
                        step.id(),
                        Reason.of("audit.overload")
                                .said("when", Reason.of(when))
                                .name("motor", d.id())
                                .ratio("load", load)
                                .ratio("limit", d.serviceFactor())));
            }
        }
        return Optional.empty();
    }
}
