package earlygate.server.runs;

import earlygate.plan.Step;
import earlygate.run.RunState;
import earlygate.server.api.PlanView;
import earlygate.server.words.Words;
import java.util.List;

/**
 * One line of the list of checks that a step at hand belongs to.
 *
 * @param state done, now or ahead
 */
public record TickView(String step, int number, String action, String state) {
    /** Checks without a reading or a screw that follow each other in a phase; empty where the step is none, or stands alone. */
    static List<TickView> all(RunState run, Step at, Words words) {
        List<Step> phase = run.plan().phaseOf(at.id()).steps();
        int first = phase.indexOf(at);
        int end = first;
        while (first > 0 && isTick(phase.get(first - 1))) {
            first--;
        }
        while (end < phase.size() && isTick(phase.get(end))) {
            end++;
        }
        return !isTick(at) || end - first < 2
                ? List.of()
                : phase.subList(first, end).stream()
                        .map(s -> of(run, at, s, words))
                        .toList();
    }

    private static boolean isTick(Step s) {
        boolean looks = s.kind() == Step.Kind.CHECK || s.kind() == Step.Kind.MOVE_GAUGE;
        return looks && s.expect().isEmpty() && s.goal().isEmpty() && s.demand().isEmpty();
    }

    private static TickView of(RunState run, Step at, Step s, Words words) {
        return new TickView(
                s.id(),
                run.plan().numberOf(s.id()),
                PlanView.readAs(run.unit(), s, words).say(s.action()),
                run.record(s.id()).isDone() ? "done" : s.id().equals(at.id()) ? "now" : "ahead");
    }
}
