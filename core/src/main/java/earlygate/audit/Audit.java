package earlygate.audit;

import earlygate.plan.Plan;
import earlygate.solve.Model;
import java.util.List;

/** Replays a plan and lists what it may not contain. */
public final class Audit {
    private static final List<Check> POINTS = List.of(
            new StepMatchesModel(),
            new ReadingFollowsScrew(),
            new WithinRatings(),
            new AlongCurves(),
            new Protected(),
            new Direction(),
            new SetAndLocked(),
            new LinesEmptied(),
            new ReadingIsSteady(),
            new GaugeFitsReading());

    private Audit() {}

    /** Empty for a plan that may be handed out; also for one that was refused, which has no steps. */
    public static List<Violation> of(Model model, Plan plan) {
        if (plan.steps().isEmpty()) {
            return List.of();
        }
        Replay replay = new Replay(model, plan);
        return POINTS.stream().flatMap(point -> point.of(replay).stream()).toList();
    }
}
