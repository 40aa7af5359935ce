package earlygate.server.records;

import earlygate.run.RunEvent;
import earlygate.run.RunRecord;
import earlygate.run.RunState;
import earlygate.server.words.Sentence;
import earlygate.server.words.Words;
import java.time.Instant;
import java.util.List;

/** Every deviation ever given. {@code standing} stands or void: something was read or turned after it. */
record DeviationView(String step, @Sentence String action, String reason, Instant at, String standing) {
    static List<DeviationView> all(RunState state, Words words) {
        return state.events().stream()
                .filter(e -> e.body() instanceof RunEvent.Deviation)
                .flatMap(e -> {
                    RunEvent.Deviation d = (RunEvent.Deviation) e.body();
                    return state
                            .step(d.step())
                            .map(s -> new DeviationView(
                                    s.id(),
                                    words.say(s.action()),
                                    RunRecord.said(d),
                                    e.at(),
                                    state.record(s.id())
                                                    .deviation()
                                                    .filter(d::equals)
                                                    .isPresent()
                                            ? "stands"
                                            : "void"))
                            .stream();
                })
                .toList();
    }
}
