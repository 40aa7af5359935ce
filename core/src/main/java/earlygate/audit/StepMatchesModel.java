package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.quantity.Si;
import earlygate.unit.Component;
import earlygate.unit.Cylinder;
import earlygate.unit.Driver;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.Positioned;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Each value lies in its own band and is what the model says; and nothing changes but what the moves tell. */
final class StepMatchesModel implements Check {
    private static final double PRESSURE = 0.5 * Si.BAR;
    private static final double SHARE = 0.01;
    private static final double OPENING = 2e-3;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            for (Expect e : s.step().expect()) {
                if (!(e.value() >= e.low() - 1e-6 && e.value() <= e.high() + 1e-6)) {
                    found.add(violation(s, "audit.outside-its-band", e, e.value()));
                } else if (e.take() == Expect.Take.STANDING) {
                    model(replay, s, e)
                            .filter(m -> Math.abs(m - e.value()) > Math.max(floor(e), SHARE * Math.abs(m)))
                            .ifPresent(m -> found.add(violation(s, "audit.not-what-the-model-says", e, m)));
                }
            }
            if (s.state().isEmpty()) {
                found.add(new Violation(Point.SAYS_WHAT_IT_DOES, s.step().id(), Reason.of("audit.not-solvable")));
            }
            silent(replay, s).ifPresent(found::add);
        }
        return found;
    }

    private static double floor(Expect e) {
        return switch (e.kind()) {
            case PRESSURE -> PRESSURE;
            case FLOW -> 0.1 * Si.LPM;
            default -> 0.2;
        };
    }

    private static Optional<Double> model(Replay replay, Replay.ReplayedStep s, Expect e) {
        return switch (e.kind()) {
            case PRESSURE ->
                s.state()
                        .map(x ->
                                x.pressure(replay.unit.testPoint(e.instrument()).line()));
            case CURRENT -> s.state().map(x -> x.driver(e.instrument()).current());
            case FLOW ->
                s.state()
                        .flatMap(x -> replay.flow(s.at(), x, e.instrument()).stream()
                                .boxed()
                                .findFirst());
            default -> Optional.empty();
        };
    }

    private static Violation violation(Replay.ReplayedStep s, String code, Expect e, double value) {
        return new Violation(
                Point.SAYS_WHAT_IT_DOES,
                s.step().id(),
                Reason.of(code)
                        .name("instrument", e.instrument())
                        .with("value", new Amount(value, e.kind()))
                        .with("expected", new Amount(e.value(), e.kind()))
                        .with("low", new Amount(e.low(), e.kind()))
                        .with("high", new Amount(e.high(), e.kind())));
    }

    private static Optional<Violation> silent(Replay replay, Replay.ReplayedStep s) {
        Set<String> changed = changed(replay, s.before(), s.at());
        Set<String> told = s.step().moves().stream()
                .filter(m -> changed.contains(m.id()) && doesThat(replay, m, s.at()))
                .map(Move::id)
                .collect(Collectors.toSet());
        changed.removeAll(told);
        return changed.isEmpty()
                ? Optional.empty()
                : Optional.of(new Violation(
                        Point.SAYS_WHAT_IT_DOES,
                        s.step().id(),
                        Reason.of("audit.changes-silently").name("parts", String.join(", ", changed))));
    }

    /** What differs between two situations, by id. */
    private static Set<String> changed(Replay replay, Situation from, Situation to) {
        Set<String> changed = new TreeSet<>();
        for (Component c : replay.unit.components()) {
            boolean differs = c instanceof Driver d
                            && replay.unit.at(from).isRunning(d)
                                    != replay.unit.at(to).isRunning(d)
                    || c instanceof Throttle t
                            && Math.abs(replay.unit.at(from).opening(t)
                                            - replay.unit.at(to).opening(t))
                                    > OPENING
                    || c instanceof Positioned v
                            && !replay.unit
                                    .at(from)
                                    .position(v)
                                    .equals(replay.unit.at(to).position(v))
                    || (c instanceof Cylinder || c instanceof HydraulicMotor)
                            && blocked(from, c.id()) != blocked(to, c.id())
                    || from.vented().contains(c.id()) != to.vented().contains(c.id());
            if (differs) {
                changed.add(c.id());
            }
        }
        for (Setting x : replay.unit.settings()) {
            if (replay.unit.at(from).setting(x.id()) != replay.unit.at(to).setting(x.id())) {
                changed.add(x.id());
            }
        }
        Set<String> gear = new TreeSet<>(from.gear().keySet());
        gear.addAll(to.gear().keySet());
        gear.stream()
                .filter(id -> from.gear().get(id) == null
                        || !from.gear().get(id).equals(to.gear().get(id)))
                .forEach(changed::add);
        Set<String> meters = new TreeSet<>(from.metered().keySet());
        meters.addAll(to.metered().keySet());
        meters.stream()
                .filter(id ->
                        !Objects.equals(from.metered().get(id), to.metered().get(id)))
                .forEach(changed::add);
        return changed;
    }

    private static boolean blocked(Situation s, String actuator) {
        return s.blocked().isEmpty() || s.blocked().get().contains(actuator);
    }

    private static boolean doesThat(Replay replay, Move m, Situation to) {
        return switch (m.kind()) {
            case START -> replay.unit.at(to).isRunning((Driver) replay.unit.component(m.id()));
            case STOP -> !replay.unit.at(to).isRunning((Driver) replay.unit.component(m.id()));
            case OPEN ->
                to.gear().containsKey(m.id())
                        ? Math.abs(to.gear().get(m.id()).opening() - m.amount()) <= OPENING
                        : replay.unit.component(m.id()) instanceof Throttle t
                                && Math.abs(replay.unit.at(to).opening(t) - m.amount()) <= OPENING;
            case SHIFT ->
                replay.unit.component(m.id()) instanceof Positioned v
                        && replay.unit.at(to).position(v).equals(m.to());
            case BLOCK -> blocked(to, m.id());
            case FREE -> !blocked(to, m.id());
            case FIT -> to.gear().containsKey(m.id()) || to.metered().containsKey(m.id());
            case REMOVE -> !to.gear().containsKey(m.id()) && !to.metered().containsKey(m.id());
            case VENT -> to.vented().contains(m.id());
            case TURN, NUT, DRAIN -> true;
        };
    }
}
