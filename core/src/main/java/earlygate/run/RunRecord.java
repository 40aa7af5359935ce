package earlygate.run;

import earlygate.circuit.Setting;
import earlygate.circuit.Target;
import earlygate.judge.Verdict;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What stays of a run: each setting as found and as left against its target, the tests, and every deviation with its
 * reason.
 *
 * @param passed every step done, every reading good, no deviation
 */
public record RunRecord(List<SettingRecord> settings, List<TestRecord> tests, boolean finished, boolean passed) {
    public enum AsFound {
        /** From the turns it took to all out and the slope learned later. */
        BY_TURNS,
        /** What the sheet said. */
        FROM_SHEET
    }

    /**
     * @param asLeftPa the setting by the reading after the jam nut was tight; only that one counts
     * @param instrument the gauge it was read on; empty until then
     * @param oil K
     */
    public record SettingRecord(
            String setting,
            double asFoundPa,
            AsFound asFoundFrom,
            OptionalDouble asLeftPa,
            Target target,
            Optional<Verdict.Grade> verdict,
            String instrument,
            OptionalDouble oil,
            Optional<Instant> at,
            Optional<String> deviation) {}

    /** A reading asked for in a step: what was expected, what came. */
    public record TestRecord(
            Phase.Id phase,
            Step step,
            Expect expect,
            RunEvent reading,
            Verdict.Grade grade,
            Optional<String> deviation) {}

    public static RunRecord of(RunState run) {
        List<SettingRecord> settings = run.unit().settings().stream()
                .flatMap(s -> run.unit().target(s.id()).map(t -> setting(run, s, t)).stream())
                .toList();
        List<TestRecord> tests = run.plan().phases().stream()
                .flatMap(p -> p.steps().stream().flatMap(s -> tests(run, p.id(), s).stream()))
                .toList();
        boolean passed = run.finished()
                && run.plan().steps().stream()
                        .allMatch(s -> run.record(s.id()).deviation().isEmpty());
        return new RunRecord(settings, tests, run.finished(), passed);
    }

    private static SettingRecord setting(RunState run, Setting s, Target target) {
        Optional<Step> lock = run.plan().steps().stream()
                .filter(x -> x.kind() == Step.Kind.LOCK
                        && x.setting().filter(s.id()::equals).isPresent())
                .findFirst();
        Optional<RunEvent> reading = lock.flatMap(
                x -> run.record(x.id()).readingEvent(x.goal().orElseThrow().testPoint()));
        // Where the gauge shows more than the setting (margin, override, drops), the difference is taken off again.
        double offset = lock.flatMap(Step::goal)
                .map(g -> g.targetPa() - target.pressurePa())
                .orElse(0.0);
        OptionalDouble asLeft = reading.map(e -> OptionalDouble.of(((Reading) e.body()).value() - offset))
                .orElse(OptionalDouble.empty());
        Optional<Verdict.Grade> grade = lock.flatMap(x -> new StepJudge(run, x)
                .judged().stream().map(StepJudge.Judged::grade).findFirst());
        OptionalDouble oil = reading.map(e -> ((Reading) e.body()).oil()).orElse(OptionalDouble.empty());
        boolean counted = run.foundAt(s.id()) > 0 && asLeft.isPresent();
        double asFound = counted
                ? asLeft.getAsDouble()
                        + (run.foundAt(s.id()) - run.position(s.id()))
                                * run.screw(s.id()).slope()
                : s.present();
        return new SettingRecord(
                s.id(),
                Math.max(0, asFound),
                counted ? AsFound.BY_TURNS : AsFound.FROM_SHEET,
                asLeft,
                target,
                grade,
                lock.flatMap(Step::goal).map(Step.Goal::testPoint).orElse(""),
                oil,
                reading.map(RunEvent::at),
                run.plan().steps().stream()
                        .filter(x -> x.judgesSetting()
                                && x.setting().filter(s.id()::equals).isPresent())
                        .flatMap(x -> run.record(x.id()).deviation().stream())
                        .reduce((a, b) -> a + "; " + b));
    }

    private static List<TestRecord> tests(RunState run, Phase.Id phase, Step step) {
        StepRecord record = run.record(step.id());
        List<StepJudge.Judged> judged = new StepJudge(run, step).judged();
        return step.expect().stream()
                .flatMap(e -> judged.stream()
                        .filter(j -> j.instrument().equals(e.instrument()))
                        .map(j -> new TestRecord(
                                phase,
                                step,
                                e,
                                record.crackedEvent()
                                        .filter(c -> step.goal()
                                                .filter(g -> g.testPoint().equals(e.instrument()))
                                                .isPresent())
                                        .or(() -> record.readingEvent(e.instrument()))
                                        .orElseThrow(),
                                j.grade(),
                                record.deviation())))
                .toList();
    }

    /** The number in a reading or crack event, SI. */
    public static double value(RunEvent event) {
        return event.body() instanceof Cracked c ? c.pressurePa() : ((Reading) event.body()).value();
    }
}
