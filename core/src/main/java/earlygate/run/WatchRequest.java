package earlygate.run;

import earlygate.judge.Watch;
import earlygate.judge.Watch.CurrentScrew;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** What the step at hand makes a watch look for. */
public final class WatchRequest {
    private WatchRequest() {}

    /** Nothing while a gate is shut, and no crack once it was taken: the same crack is not looked for twice. */
    public static Watch.Wanted at(RunState run) {
        Optional<Step> now = run.waitingAt().isPresent() ? Optional.empty() : run.current();
        return now.map(step -> of(run, step)).orElse(Watch.Wanted.NOTHING);
    }

    private static Watch.Wanted of(RunState run, Step step) {
        Map<String, Watch.Moment> moments = step.expect().stream()
                .collect(Collectors.toMap(
                        Expect::instrument, e -> Watch.Moment.valueOf(e.take().name()), (a, b) -> a));
        double after = step.expect().stream().mapToDouble(Expect::afterS).max().orElse(0);
        // A locked relief is come up to from below: no fall tells it, a hand marks it.
        boolean backsOut = step.cracks() && step.kind() == Step.Kind.SET;
        boolean found = run.record(step.id()).detected().isPresent();
        String of = step.id() + "/" + run.record(step.id()).attempts();
        return new Watch.Wanted(of, moments, after, atHand(run, step), backsOut && !found);
    }

    /** Empty where no single gauge shows the screw at hand. */
    static Optional<CurrentScrew> atHand(RunState run, Step step) {
        return step.measured()
                .filter(g -> g.minus().isEmpty())
                .flatMap(g -> step.setting()
                        .map(s -> new CurrentScrew(
                                s, g.testPoint(), step.situation(), run.screws().slope(s, g))));
    }
}
