package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.plan.Curve;
import earlygate.plan.Step;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunState;
import earlygate.server.journal.OpenRuns.OpenRun;
import earlygate.server.rig.LiveRig;
import earlygate.server.runs.RunService.EventRequest;
import earlygate.server.words.ApiProblem;
import java.util.OptionalDouble;

/** One point of the curve that a step takes: as typed, or as the practice machine's instruments show it. */
final class PointInput {
    /** Against the largest flow that is expected; what lies above is a slip of the finger. */
    private static final double MOST = 2;

    private final OpenRun run;
    private final String step;
    private final Curve curve;

    /** @throws ApiProblem 409 for a step that takes no curve */
    PointInput(OpenRun run, RunState state, String step) {
        this.run = run;
        this.step = step;
        this.curve = state.step(step)
                .flatMap(Step::curve)
                .orElseThrow(() -> ApiProblem.conflict("point", Reason.of("run.refused.no-curve")));
    }

    RunEvent.Point typed(EventRequest r, OptionalDouble oil) {
        double most = curve.aims().stream().mapToDouble(Curve.Aim::flow).max().orElse(0);
        OptionalDouble signal = curve.signal().isPresent()
                ? OptionalDouble.of(EventInput.number(run.unit(), curve.signal().get(), r.signal()))
                : OptionalDouble.empty();
        return point(
                r,
                EventInput.number(run.unit(), curve.gauge(), r.pressure()),
                EventInput.flow(curve.metered(), r.flow(), MOST * most),
                signal,
                Source.TYPED,
                oil);
    }

    RunEvent.Point live(EventRequest r, LiveRig rig) {
        rig.wrong().stream().findFirst().ifPresent(wrong -> {
            throw ApiProblem.conflict("point", wrong);
        });
        OptionalDouble signal = curve.signal().isPresent()
                ? OptionalDouble.of(settled(rig, curve.signal().get()))
                : OptionalDouble.empty();
        return point(
                r,
                settled(rig, curve.gauge()),
                rig.metered(curve.metered()),
                signal,
                Source.LIVE,
                OptionalDouble.of(rig.oil()));
    }

    private static double settled(LiveRig rig, String gauge) {
        OptionalDouble reads = rig.reading(gauge);
        if (reads.isEmpty()) {
            throw ApiProblem.conflict("point", Reason.of("reading.not-settled").name("instrument", gauge));
        }
        return reads.getAsDouble();
    }

    private RunEvent.Point point(
            EventRequest r, double pressurePa, double flow, OptionalDouble signal, Source source, OptionalDouble oil) {
        return new RunEvent.Point(step, pressurePa, flow, signal, Boolean.TRUE.equals(r.back()), source, oil);
    }
}
