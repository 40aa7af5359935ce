package earlygate.server.api;

import earlygate.explain.Reason;
import earlygate.judge.Verdict;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.run.RunRecord;
import earlygate.run.RunState;
import earlygate.run.TestResult;
import earlygate.server.words.Sentence;
import earlygate.server.words.Words;
import earlygate.unit.PowerUnit;
import earlygate.unit.Work;
import java.util.List;
import java.util.Optional;

/**
 * A test of the finished unit as a whole.
 *
 * @param kind return, both-ways, transfer, branch, cycle, standby, stall, working-point, rate, hold or temperature
 * @param subject the setting, valve, pump, gauge or work that it tells of; {@code name} both in words
 * @param verdict pass, fail or cannot-tell; null while not all of it is read
 * @param excused left as it is for a reason, which stands among the deviations
 * @param said the verdict in figures
 * @param readings what was read for it so far, in order
 */
public record TestedView(
        String kind,
        String subject,
        @Sentence String name,
        String verdict,
        boolean excused,
        @Sentence List<String> said,
        List<TestReading> readings) {
    /** In the unit that the instrument reads; {@code verdict} pass, fail or cannot-tell. */
    public record TestReading(
            String step,
            String instrument,
            double value,
            double expected,
            double low,
            double high,
            String unit,
            String verdict) {}

    public static List<TestedView> of(RunState run, Words words) {
        return TestResult.of(run).stream()
                .map(t -> new TestedView(
                        t.test().kind().key(),
                        t.test().subject(),
                        name(run.unit(), t.test(), words),
                        t.grade().map(Verdict.Grade::key).orElse(null),
                        t.excused(),
                        t.said().stream().map(words::say).toList(),
                        t.steps().stream()
                                .flatMap(s -> readings(run, s, words).stream())
                                .toList()))
                .toList();
    }

    private static List<TestReading> readings(RunState run, Step step, Words words) {
        Shown shown = new Shown(run.unit(), words.chosen());
        return run.assess(step).judged().stream()
                .map(j -> {
                    Expect e = step.expect().stream()
                            .filter(x -> x.instrument().equals(j.instrument()))
                            .findFirst()
                            .orElseThrow();
                    double read = RunRecord.value(RunRecord.deciding(run.record(step.id()), step, e.instrument()));
                    return new TestReading(
                            step.id(),
                            e.instrument(),
                            shown.value(e.instrument(), e.kind(), read),
                            shown.value(e.instrument(), e.kind(), e.value()),
                            shown.value(e.instrument(), e.kind(), e.low()),
                            shown.value(e.instrument(), e.kind(), e.high()),
                            shown.label(e.instrument(), e.kind()),
                            j.grade().key());
                })
                .toList();
    }

    /** From the first test on, and at the gate behind the last; none before, nor at the gate before the first. */
    public static List<TestedView> atHand(RunState run, Words words) {
        Optional<Phase.Id> at = run.waitingAt()
                .map(Phase::id)
                .or(() -> run.current().map(s -> run.plan().phaseOf(s.id()).id()));
        return at.filter(id -> id.compareTo(Phase.Id.VERIFY) >= 0).isPresent() ? of(run, words) : List.of();
    }

    /** Such as "Returns: P1 compensator". */
    public static String name(PowerUnit unit, Procedure test, Words words) {
        String subject = unit.work().stream()
                .filter(w -> test.kind() == Procedure.Kind.WORKING_POINT && w.id().equals(test.subject()))
                .map(Work::name)
                .filter(n -> !n.isEmpty())
                .findFirst()
                .orElse(test.subject());
        String kind = words.say(Reason.of("tested.kind." + test.kind().key()));
        return test.kind() == Procedure.Kind.TEMPERATURE
                ? kind
                : words.say(Reason.of("tested.name").name("kind", kind).name("subject", subject));
    }
}
