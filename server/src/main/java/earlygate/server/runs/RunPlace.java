package earlygate.server.runs;

import earlygate.plan.Step;
import earlygate.run.RunEvent;
import earlygate.run.RunState;
import earlygate.server.api.PlanView;
import earlygate.server.words.Words;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Where a run stands, in one line.
 *
 * @param step number of the step at hand, of so many
 * @param text what is to be done there; the shut gate, where one bars the way
 * @param minutesLeft of all steps that are not done, as the plan estimates them
 * @param lastAt when anything was last written into it; null before that
 */
record RunPlace(int step, int of, String text, double minutesLeft, Instant lastAt) {
    static RunPlace of(RunState state, Words words) {
        List<Step> steps = state.plan().steps();
        Optional<Step> now = state.current();
        String text = state.waitingAt()
                .map(p -> PlanView.title(p.id(), words))
                .or(() -> now.map(s -> PlanView.readAs(state.unit(), s, words).say(s.action())))
                .orElse("");
        List<RunEvent> events = state.events();
        return new RunPlace(
                now.map(s -> steps.indexOf(s) + 1).orElse(steps.size()),
                steps.size(),
                text,
                minutesLeft(state),
                events.isEmpty() ? null : events.get(events.size() - 1).at());
    }

    static double minutesLeft(RunState state) {
        return state.plan().steps().stream()
                .filter(s -> !state.record(s.id()).isDone())
                .mapToDouble(Step::minutes)
                .sum();
    }
}
