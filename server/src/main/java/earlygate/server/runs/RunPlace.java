package earlygate.server.runs;

import earlygate.run.Pause;
import earlygate.run.Progress;
import earlygate.run.RunEvent;
import earlygate.run.RunState;
import earlygate.server.api.PlanView;
import earlygate.server.words.Words;
import java.time.Instant;
import java.util.List;

/**
 * Where a run stands, in one line.
 *
 * @param step number of the step at hand, of so many
 * @param text what is to be done there; the shut gate, where one bars the way
 * @param paused somebody left it so, and nothing is entered before somebody goes on
 * @param minutesLeft of all steps that are not done, as the plan estimates them
 * @param lastAt when anything was last written into it; null before that
 */
record RunPlace(int step, int of, String text, boolean paused, double minutesLeft, Instant lastAt) {
    static RunPlace of(RunState state, Words words) {
        Progress progress = Progress.of(state);
        boolean paused = Pause.of(state).isPresent();
        String text = state.waitingAt()
                .map(p -> PlanView.title(p.id(), words))
                .or(() -> state.current()
                        .map(s -> PlanView.readAs(state.unit(), s, words).say(s.action())))
                .orElse("");
        List<RunEvent> events = state.events();
        return new RunPlace(
                progress.step(),
                progress.of(),
                text,
                paused,
                progress.minutesLeft(),
                events.isEmpty() ? null : events.get(events.size() - 1).at());
    }
}
