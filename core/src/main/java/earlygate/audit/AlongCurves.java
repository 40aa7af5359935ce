package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Curve;
import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A curve on its way from the load wide open to shut: within the ratings and the gauge's range at every opening, and at
 * the openings it names the pressures it names.
 */
final class AlongCurves implements Check {
    private static final double NARROWER = 0.75;
    private static final double LEAST = 0.001;
    /** Share by which a pressure may differ from what the model says at its opening. */
    private static final double SHARE = 0.03;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            s.step().curve().flatMap(c -> first(replay, s, c)).ifPresent(found::add);
        }
        return found;
    }

    private static Optional<Violation> first(Replay replay, Replay.ReplayedStep s, Curve c) {
        TestPoint gauge = replay.unit.testPoint(c.gauge());
        for (double opening = 1; opening > LEAST; opening *= NARROWER) {
            Situation at = s.at().withOpening(c.load(), opening);
            Optional<SteadyState> state = replay.model.solve(at);
            Optional<Violation> found = state.isEmpty()
                    ? Optional.of(violation(Point.SAYS_WHAT_IT_DOES, s, Reason.of("audit.not-solvable")))
                    : WithinRatings.passed(replay.unit, s.step(), state.get(), "audit.on-the-way")
                            .or(() -> offTheDial(s, gauge, state.get()));
            if (found.isPresent()) {
                return found;
            }
        }
        return c.aims().stream()
                .flatMap(aim -> elsewhere(replay, s, c, aim, gauge).stream())
                .findFirst();
    }

    private static Optional<Violation> offTheDial(Replay.ReplayedStep s, TestPoint gauge, SteadyState state) {
        double shown = state.pressure(gauge.line());
        return shown <= gauge.rangePa()
                ? Optional.empty()
                : Optional.of(violation(
                        Point.ON_THE_DIAL,
                        s,
                        Reason.of("audit.off-the-dial")
                                .name("gauge", gauge.id())
                                .pressure("pressure", shown)
                                .pressure("range", gauge.rangePa())));
    }

    private static Optional<Violation> elsewhere(
            Replay replay, Replay.ReplayedStep s, Curve c, Curve.Aim aim, TestPoint gauge) {
        Optional<SteadyState> state = replay.model.solve(s.at().withOpening(c.load(), aim.opening()));
        double says = state.map(x -> x.pressure(gauge.line())).orElse(0.0);
        return Math.abs(says - aim.pressurePa()) <= SHARE * Math.abs(says) + gauge.errorPa()
                ? Optional.empty()
                : Optional.of(violation(
                        Point.SAYS_WHAT_IT_DOES,
                        s,
                        Reason.of("audit.not-what-the-model-says")
                                .name("instrument", gauge.id())
                                .pressure("expected", aim.pressurePa())
                                .pressure("value", says)));
    }

    private static Violation violation(Point point, Replay.ReplayedStep s, Reason why) {
        return new Violation(point, s.step().id(), why);
    }
}
