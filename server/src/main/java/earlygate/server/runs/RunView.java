package earlygate.server.runs;

import static earlygate.quantity.Si.BAR;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Setting;
import earlygate.judge.ScrewModel;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.run.Coach;
import earlygate.run.RunEvent;
import earlygate.run.RunRecord;
import earlygate.run.RunState;
import earlygate.run.StepJudge;
import earlygate.server.calc.Instruments;
import earlygate.server.calc.PlanView;
import earlygate.server.calc.StaffView;
import earlygate.server.runs.OpenRuns.OpenRun;
import earlygate.server.words.Words;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;

/**
 * A run as its screen shows it.
 *
 * @param seq of the last event; grows with each
 * @param step null when all are done
 * @param waitingAt the shut hold point that bars the way; null when none does
 * @param advice null for steps without an adjuster
 */
public record RunView(
        long id,
        String tag,
        String unitName,
        String technician,
        boolean practice,
        OffsetDateTime startedAt,
        long seq,
        boolean finished,
        int stepNumber,
        int stepCount,
        List<PhaseProgress> phases,
        HoldView waitingAt,
        PlanView.StepView step,
        List<ReadingView> readings,
        List<String> missing,
        boolean mayDeviate,
        AdviceView advice,
        List<StaffView> staffs,
        List<ScrewView> screws,
        List<LogView> log) {
    /** @param state done, current or ahead; {@code hold} open, waiting or shut */
    public record PhaseProgress(
            String id,
            String title,
            String state,
            int done,
            int steps,
            String hold,
            Instant openedAt,
            String openedBy) {}

    public record HoldView(String phase, String title, List<String> conditions) {}

    /** @param grade pass, fail or cannot-tell */
    public record ReadingView(
            String instrument, double value, String unit, String grade, String message, String source, Instant at) {}

    /** @param turns clockwise positive; 0 when nothing is to be turned now */
    public record AdviceView(double turns, String turnsText, String text, String code) {}

    public record ScrewView(
            String setting,
            double turnsIn,
            double travel,
            String turnsText,
            double barPerTurn,
            double barPerTurnError,
            boolean learned,
            String wrench) {}

    public record LogView(long seq, Instant at, String by, String step, String text) {}

    static RunView of(OpenRun run, RunState state, Words words) {
        PowerUnit unit = run.unit();
        Step step = state.current().orElse(null);
        List<Step> steps = state.plan().steps();
        RunRecord record = RunRecord.of(state);
        return new RunView(
                run.head().id(),
                unit.tag(),
                unit.name(),
                run.head().technician(),
                run.head().practice(),
                run.head().startedAt(),
                state.lastSeq(),
                state.finished(),
                step == null ? steps.size() : steps.indexOf(step) + 1,
                steps.size(),
                state.plan().phases().stream()
                        .map(p -> progress(state, p, words))
                        .toList(),
                state.waitingAt().map(p -> hold(p, words)).orElse(null),
                step == null ? null : PlanView.step(unit, step, words),
                step == null ? List.of() : readings(state, step, words),
                step == null ? List.of() : missing(state, step, words),
                step != null && mayDeviate(state, step),
                step == null ? null : advice(state, step, words),
                StaffView.of(unit, run.gaps(), s -> isSet(record, s)),
                unit.settings().stream().map(s -> screw(state, s)).toList(),
                RunLog.newestFirst(state, words, 12));
    }

    private static boolean isSet(RunRecord record, String setting) {
        return record.settings().stream()
                .anyMatch(s -> s.setting().equals(setting) && s.asLeftPa().isPresent());
    }

    private static PhaseProgress progress(RunState state, Phase p, Words words) {
        int done = (int)
                p.steps().stream().filter(s -> state.record(s.id()).isDone()).count();
        boolean all = done == p.steps().size();
        boolean current = state.current().filter(p.steps()::contains).isPresent();
        boolean waiting = state.waitingAt().filter(p::equals).isPresent();
        var opened = state.opened(p.id());
        return new PhaseProgress(
                p.id().key(),
                PlanView.title(p.id(), words),
                all ? "done" : current ? "current" : "ahead",
                done,
                p.steps().size(),
                opened.isPresent() ? "open" : waiting ? "waiting" : "shut",
                opened.map(RunEvent::at).orElse(null),
                opened.map(RunEvent::by).orElse(null));
    }

    private static HoldView hold(Phase p, Words words) {
        return new HoldView(
                p.id().key(),
                PlanView.title(p.id(), words),
                p.holdPoint().stream().map(words::say).toList());
    }

    private static List<ReadingView> readings(RunState state, Step step, Words words) {
        List<ReadingView> views = new ArrayList<>();
        for (StepJudge.Judged j : new StepJudge(state, step).judged()) {
            RunEvent event = RunLog.deciding(state, step, j.instrument());
            Expect expect = step.expect().stream()
                    .filter(e -> e.instrument().equals(j.instrument()))
                    .findFirst()
                    .orElseThrow();
            views.add(new ReadingView(
                    j.instrument(),
                    Instruments.shown(state.unit(), j.instrument(), expect.kind(), RunRecord.value(event)),
                    Instruments.label(state.unit(), j.instrument(), expect.kind()),
                    RunReadings.grade(j.grade()),
                    words.say(j.message()),
                    RunLog.source(event),
                    event.at()));
        }
        return views;
    }

    private static List<String> missing(RunState state, Step step, Words words) {
        return new StepJudge(state, step).missing().stream().map(words::say).toList();
    }

    private static boolean mayDeviate(RunState state, Step step) {
        return earlygate.run.RunRules.refusal(state, new RunEvent.Deviation(step.id(), "reason"))
                .isEmpty();
    }

    private static AdviceView advice(RunState state, Step step, Words words) {
        return Coach.advice(state, step)
                .map(a -> new AdviceView(
                        a.turns(),
                        Words.turns(Math.abs(a.turns())),
                        words.say(a.reason()),
                        a.reason().code()))
                .orElse(null);
    }

    private static ScrewView screw(RunState state, Setting s) {
        ScrewModel m = state.screw(s.id());
        double turns = state.position(s.id());
        return new ScrewView(
                s.id(),
                turns,
                s.screw().travel(),
                Words.turns(turns),
                Math.round(m.slope() / BAR * 10) / 10.0,
                Math.round(2 * m.sd() / BAR * 10) / 10.0,
                m.answers() > 0,
                s.screw().wrench());
    }
}
