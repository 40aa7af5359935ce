package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.network.Conditions;
import earlygate.plan.Expect;
import earlygate.quantity.Si;
import earlygate.solve.NoBalance;
import earlygate.solve.Transient;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Run in time with the unit's volumes, a gauge that is read standing stands; only a valve that latches lets one saw. */
final class ReadingIsSteady implements Check {
    private static final double SECONDS = 12;
    private static final double WATCHED_S = 4;
    private static final double STEP_S = 0.02;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        boolean latches = replay.unit.all(UnloadingValve.class).stream()
                .anyMatch(v -> v.differential().isPresent());
        if (!latches) {
            return found;
        }
        for (Replay.ReplayedStep s : replay.steps()) {
            if (s.step().judgesSetting()
                    && replay.unit.at(s.at()).anyDriveRuns()
                    && s.state().isPresent()) {
                s.step().expect().stream()
                        .filter(e -> e.take() == Expect.Take.STANDING)
                        .flatMap(e -> replay.unit.findTestPoint(e.instrument()).stream())
                        .findFirst()
                        .flatMap(g -> saws(replay, s, g))
                        .ifPresent(found::add);
            }
        }
        return found;
    }

    private static Optional<Violation> saws(Replay replay, Replay.ReplayedStep s, TestPoint gauge) {
        Conditions c = replay.model.network().conditions(s.at());
        Transient machine = replay.model.inMotion();
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        try {
            machine.restore(s.state().orElseThrow(), c);
            for (double t = 0; t < SECONDS; t += STEP_S) {
                machine.advance(c, STEP_S);
                if (t > SECONDS - WATCHED_S) {
                    low = Math.min(low, machine.pressure(gauge.line()));
                    high = Math.max(high, machine.pressure(gauge.line()));
                }
            }
        } catch (NoBalance unknown) {
            return Optional.of(new Violation(Point.STANDS_STILL, s.step().id(), Reason.of("audit.not-solvable")));
        }
        return high - low <= 2 * gauge.errorPa() + Si.BAR
                ? Optional.empty()
                : Optional.of(new Violation(
                        Point.STANDS_STILL,
                        s.step().id(),
                        Reason.of("audit.saws")
                                .name("gauge", gauge.id())
                                .pressure("low", low)
                                .pressure("high", high)));
    }
}
