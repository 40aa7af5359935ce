package earlygate.server.runs;

import earlygate.plan.Step;
import earlygate.run.RunState;
import earlygate.server.api.PlanView;
import earlygate.server.words.Words;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** A step that was done and can be gone back to. */
public record DoneView(String step, int number, String action) {
    static DoneView of(RunState state, Step s, Words words) {
        return new DoneView(
                s.id(),
                state.plan().numberOf(s.id()),
                PlanView.readAs(state.unit(), s, words).say(s.action()));
    }

    static List<DoneView> newestFirst(RunState state, Words words) {
        if (state.finished()) {
            return List.of();
        }
        List<DoneView> done = new ArrayList<>();
        state.plan().steps().stream()
                .filter(s -> state.record(s.id()).isDone())
                .forEach(s -> done.add(of(state, s, words)));
        Collections.reverse(done);
        return done;
    }
}
