package earlygate.server.runs;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.run.AsLeft;
import earlygate.run.Coach;
import earlygate.run.Coach.Advice;
import earlygate.run.OilState;
import earlygate.run.Pause;
import earlygate.run.Progress;
import earlygate.run.RunEvent;
import earlygate.run.RunRecord;
import earlygate.run.RunState;
import earlygate.run.StepAssessment;
import earlygate.run.StepToRepeat;
import earlygate.server.api.CurveView;
import earlygate.server.api.PlanView;
import earlygate.server.api.Shown;
import earlygate.server.api.StaffView;
import earlygate.server.api.TestedView;
import earlygate.server.api.Wire;
import earlygate.server.journal.OpenRuns.OpenRun;
import earlygate.server.words.Sentence;
import earlygate.server.words.Words;
import earlygate.unit.Fluid;
import earlygate.unit.PowerUnit;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A run as its screen shows it.
 *
 * @param uuid its name among all runs of all data folders
 * @param seq of the last event; grows with each
 * @param minutesLeft as the plan estimates the steps that are not done
 * @param step null when all are done
 * @param wayBack the step that a failing reading leads back to; null where none does
 * @param waitingAt the shut hold point that bars the way; null when none does
 * @param curve null for steps that take none
 * @param tests of the finished unit, as far as they are read; none before the first is at hand
 * @param advice null for steps without an adjuster
 * @param crackRead null on the practice rig, before anything was read, and once what it found was taken
 */
public record RunView(
        long id,
        String uuid,
        String tag,
        String unitName,
        String technician,
        boolean practice,
        OffsetDateTime startedAt,
        long seq,
        boolean finished,
        int stepNumber,
        int stepCount,
        double minutesLeft,
        List<PhaseProgress> phases,
        HoldView waitingAt,
        PlanView.StepView step,
        PausedView paused,
        List<String> carried,
        List<ReadingView> readings,
        List<String> missing,
        boolean mayDeviate,
        boolean needsRelease,
        String deviation,
        AdviceView advice,
        HolderView holder,
        OilView oil,
        CrackView crack,
        CrackReadView crackRead,
        List<NotedView> noted,
        CurveView curve,
        List<TestedView> tests,
        List<TickView> ticks,
        DoneView wayBack,
        List<DoneView> done,
        List<StaffView> staffs,
        List<ScrewView> screws,
        List<LogView> log) {
    /** What was read between the turns of a relief that is backed out: what stood, by how much it fell, whether it cracked. */
    public record CrackReadView(double heldBar, double fallBar, boolean found) {}

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

    /** @param reason empty where none was given */
    public record PausedView(Instant at, String by, String reason) {}

    public record HoldView(String phase, String title, List<String> conditions) {}

    /** @param grade pass, fail or cannot-tell */
    public record ReadingView(
            String instrument, double value, String unit, String grade, String message, String source, Instant at) {}

    /**
     * @param turns clockwise positive; 0 when nothing is to be turned now
     * @param relock turns to set against the nut's drag once it is slack again; 0 where nothing is
     */
    public record AdviceView(double turns, String turnsText, String text, String code, double relock) {}

    /**
     * @param setting who has the gauge at the readings as they are; null where nothing of the sheet could hold it there
     * @param look what to look at next, with the figures that tell
     */
    public record HolderView(String setting, String text, List<String> look) {}

    /** @param c null before anyone read it; {@code state} ok, cold, hot, stale or unknown */
    public record OilView(Double c, double lowC, double highC, Instant at, String state) {}

    public record NotedView(String key, String text) {}

    /**
     * @param kind of event, as it is written, such as reading or hold-opened
     * @param slip it was corrected and counts for nothing
     * @param mayStrike it belongs to the step at hand and could be named a slip
     */
    public record LogView(
            long seq,
            Instant at,
            String by,
            String step,
            String kind,
            @Sentence String text,
            boolean slip,
            boolean mayStrike) {}

    static RunView of(OpenRun run, RunState state, Instant now, Words words) {
        PowerUnit unit = run.unit();
        Step step = state.current().orElse(null);
        Progress progress = Progress.of(state);
        Optional<Advice> advice = step == null ? Optional.empty() : Coach.advice(state, step, run.answers());
        return new RunView(
                run.head().id(),
                run.head().uuid(),
                unit.tag(),
                unit.name(),
                run.head().technician(),
                run.head().practice(),
                run.head().startedAt(),
                state.lastSeq(),
                state.finished(),
                progress.step(),
                progress.of(),
                progress.minutesLeft(),
                state.plan().phases().stream()
                        .map(p -> progress(state, p, words))
                        .toList(),
                state.waitingAt().map(p -> hold(p, words)).orElse(null),
                step == null ? null : PlanView.step(unit, step, words),
                Pause.of(state)
                        .map(p -> new PausedView(p.at(), p.by(), Pause.reason(p)))
                        .orElse(null),
                step == null
                        ? List.of()
                        : state.carried(step.id()).stream().map(words::say).toList(),
                step == null ? List.of() : readings(state, step, words),
                step == null ? List.of() : missing(state, step, words),
                step != null && state.assess(step).mayBeLeft(),
                step != null && state.assess(step).aboveSchematic(),
                step == null
                        ? null
                        : state.record(step.id())
                                .deviation()
                                .map(RunRecord::said)
                                .orElse(null),
                step == null ? null : advice(state, step, advice, words),
                step == null ? null : holder(state, step, advice, words),
                oil(state, now),
                step == null ? null : CrackView.of(state, step),
                step == null || run.head().practice() ? null : crackRead(state, step),
                step == null ? List.of() : noted(state, step),
                step == null ? null : CurveView.of(state, step, words).orElse(null),
                TestedView.atHand(state, words),
                step == null ? List.of() : TickView.all(state, step, words),
                step == null
                        ? null
                        : StepToRepeat.of(state, step)
                                .map(s -> DoneView.of(state, s, words))
                                .orElse(null),
                DoneView.newestFirst(state, words),
                StaffView.of(unit, run.gaps(), s -> AsLeft.isRead(state, s)),
                unit.settings().stream().map(s -> ScrewView.of(state, s, words)).toList(),
                RunLog.newestFirst(state, words, 12));
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
        Shown shown = new Shown(state.unit(), words.chosen());
        List<ReadingView> views = new ArrayList<>();
        for (StepAssessment.Judged j : state.assess(step).judged()) {
            RunEvent event = RunRecord.deciding(state.record(step.id()), step, j.instrument());
            Expect expect = step.expect().stream()
                    .filter(e -> e.instrument().equals(j.instrument()))
                    .findFirst()
                    .orElseThrow();
            views.add(new ReadingView(
                    j.instrument(),
                    shown.value(j.instrument(), expect.kind(), RunRecord.value(event)),
                    shown.label(j.instrument(), expect.kind()),
                    RunReadings.grade(j.grade()),
                    PlanView.readAs(state.unit(), step, words).say(j.message()),
                    RunLog.source(event),
                    event.at()));
        }
        return views;
    }

    private static List<String> missing(RunState state, Step step, Words words) {
        return state.assess(step).missing().stream().map(words::say).toList();
    }

    private static AdviceView advice(RunState state, Step step, Optional<Advice> advice, Words chosen) {
        Words words = PlanView.readAs(state.unit(), step, chosen);
        return advice.map(a -> new AdviceView(
                        a.turns(),
                        Words.turns(Math.abs(a.turns())),
                        words.say(a.reason()),
                        a.reason().code(),
                        a.relock()))
                .orElse(null);
    }

    private static HolderView holder(RunState state, Step step, Optional<Advice> advice, Words chosen) {
        Words words = PlanView.readAs(state.unit(), step, chosen);
        return Coach.whoHas(state, step, advice)
                .map(w -> new HolderView(
                        w.setting().orElse(null),
                        words.say(w.why()),
                        w.look().stream().map(words::say).toList()))
                .orElse(null);
    }

    private static CrackReadView crackRead(RunState state, Step step) {
        return state.assess(step)
                .crackRead()
                .filter(r -> state.record(step.id())
                        .cracked()
                        .filter(c -> c.source() != RunEvent.Source.TAPPED)
                        .isEmpty())
                .map(r -> new CrackReadView(Wire.bar(r.heldPa()), Wire.bar(r.fallPa()), r.found()))
                .orElse(null);
    }

    private static OilView oil(RunState state, Instant now) {
        Fluid f = state.unit().fluid();
        double low = f.bandLow() - ZERO_C;
        double high = f.bandHigh() - ZERO_C;
        Double c = state.oil().isPresent() ? (Double) (Wire.celsius(state.oil().getAsDouble())) : null;
        String standing = OilState.at(state, now).key();
        return new OilView(c, low, high, state.oilReadAt().orElse(null), standing);
    }

    private static List<NotedView> noted(RunState state, Step step) {
        return step.notes().stream()
                .flatMap(n -> state.record(step.id()).note(n.code()).stream())
                .map(n -> new NotedView(n.note(), n.text()))
                .toList();
    }
}
