package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.judge.NextTurn;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Note;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a run's log says of one step: how each reading is judged, and what is still missing. Each answer is worked out once;
 * {@link RunState#assess} keeps it as long as the log stays as it is.
 */
public final class StepAssessment {
    /** A counted turn may be off by a little more than a sixteenth and a half. */
    private static final double COUNT = 1.75 * NextTurn.SIXTEENTH;

    private static final double A_TRACE = NextTurn.SIXTEENTH / 2;

    /**
     * @param grade PASS, FAIL or CANNOT_TELL of what was read
     * @param message in figures
     */
    public record Judged(String instrument, Grade grade, Reason message) {}

    private final RunState run;
    private final Step step;
    private final StepRecord record;
    // Worked out when first asked for. All are immutable: two threads may at worst work one out twice.
    private List<Judged> judged;
    private List<Reason> notAsItMustBe;
    private List<Reason> readingsMissing;
    private Optional<CrackFromReadings> crackRead;

    StepAssessment(RunState run, Step step) {
        this.run = run;
        this.step = step;
        this.record = run.record(step.id());
    }

    /** One entry for each expected instrument that has been read. */
    public List<Judged> judged() {
        if (judged == null) {
            ReadingJudge readings = new ReadingJudge(run, step);
            judged = step.expect().stream()
                    .flatMap(e -> readings.judged(e).stream())
                    .toList();
        }
        return judged;
    }

    /** The crack that was read between the turns of a relief; empty where nothing was read for one. */
    public Optional<CrackFromReadings> crackRead() {
        if (crackRead == null) {
            crackRead = CrackFromReadings.of(run, step);
        }
        return crackRead;
    }

    private boolean isGoal(Expect e) {
        return step.goal().filter(g -> g.reads(e.instrument())).isPresent();
    }

    /** What stands between this step and "done"; empty when nothing does. */
    public List<Reason> missing() {
        List<Reason> missing = new ArrayList<>(notAsItMustBe());
        if (record.deviation().isEmpty()) {
            missing.addAll(readingsMissing());
        }
        return missing;
    }

    /** What no reason can excuse: turns not made, another screw turned, a nut still slack, a load not moved. */
    private List<Reason> notAsItMustBe() {
        if (notAsItMustBe == null) {
            notAsItMustBe = List.copyOf(collectNotAsItMustBe());
        }
        return notAsItMustBe;
    }

    private List<Reason> collectNotAsItMustBe() {
        List<Reason> missing = new ArrayList<>();
        for (Map.Entry<String, Double> other : record.turnedBy().entrySet()) {
            boolean own = step.setting().filter(other.getKey()::equals).isPresent()
                    && step.goal().isPresent();
            if (!own && !asked(other.getKey()) && Math.abs(other.getValue()) >= A_TRACE) {
                missing.add(putBack(other.getKey(), other.getValue()));
            }
        }
        turnsMissing().ifPresent(missing::add);
        if (run.onRig()
                && step.kind() == Step.Kind.LOCK
                && !run.nutTight(step.setting().orElse(""))) {
            missing.add(Reason.of("run.need.nut").name("setting", step.setting().orElse("")));
        }
        if (run.onRig() && step.demands(Demand.LOAD_MOVED) && !record.loadMoved()) {
            missing.add(letGo());
        }
        step.notes().stream()
                .flatMap(n -> record.note(n.code()).stream())
                .flatMap(n -> Note.of(n.note()).flatMap(note -> note.stops(n.text())).stream())
                .forEach(missing::add);
        return missing;
    }

    /** By a lever, by the drive where there is no load, or by the load. */
    private Reason letGo() {
        return step.moves().stream()
                .filter(m -> m.kind() == Move.Kind.SHIFT)
                .findFirst()
                .map(m -> Reason.of("run.need.lever-moved").name("lever", m.id()))
                .orElseGet(() -> step.action().values().get("motor") instanceof Value.Name motor
                        ? Reason.of("run.need.drive-moved").name("motor", motor.text())
                        : Reason.of("run.need.load-moved"));
    }

    /** Whether the plan has another screw turned in this step. */
    private boolean asked(String setting) {
        return step.moves().stream().anyMatch(m -> m.kind() == Move.Kind.TURN && m.id().equals(setting));
    }

    private static Reason putBack(String setting, double turned) {
        return Reason.of(turned > 0 ? "run.need.put-back-out" : "run.need.put-back-in")
                .name("setting", setting)
                .turns("turns", Math.abs(turned));
    }

    private Optional<Reason> turnsMissing() {
        if (!(step.goal().orElse(null) instanceof Goal.Turned goal) || record.touchedEnd()) {
            return Optional.empty();
        }
        String setting = step.setting().orElse("");
        if (goal instanceof Goal.ToEnd) {
            return Optional.of(Reason.of("run.need.end").name("setting", setting));
        }
        return Math.abs(record.turned() - goal.turns()) <= COUNT
                ? Optional.empty()
                : Optional.of(Reason.of("run.need.turns")
                        .name("setting", setting)
                        .turns("turns", Math.abs(goal.turns()))
                        .turns("made", Math.abs(record.turned())));
    }

    private List<Reason> readingsMissing() {
        if (readingsMissing == null) {
            readingsMissing = List.copyOf(collectReadingsMissing());
        }
        return readingsMissing;
    }

    private List<Reason> collectReadingsMissing() {
        List<Reason> missing = new ArrayList<>();
        crackVoid().ifPresent(missing::add);
        List<Judged> judged = judged();
        for (Expect e : step.expect()) {
            Optional<Judged> j = judged.stream()
                    .filter(x -> x.instrument().equals(e.instrument()))
                    .findFirst();
            if (j.isEmpty()) {
                boolean crack = step.cracks() && isGoal(e);
                missing.add(
                        Reason.of(crack ? "run.need.crack" : "run.need.reading").name("instrument", e.instrument()));
            } else if (j.get().grade() != Grade.PASS) {
                missing.add(Reason.of("run.need.pass").name("instrument", e.instrument()));
            }
        }
        CurveTaken.of(run, step)
                .filter(c -> c.grade().equals(Optional.of(Grade.FAIL)))
                .ifPresent(c -> missing.add(c.said().get(0)));
        FiguresNoted.of(step, record).stream()
                .filter(f -> f.grade() == Grade.FAIL)
                .map(FiguresNoted::said)
                .forEach(missing::add);
        if (missing.isEmpty()) {
            RepeatedReadings.missing(run, step).ifPresent(missing::add);
        }
        return missing;
    }

    boolean crackIsVoid() {
        return crackVoid().isPresent();
    }

    /** A relief turned after its crack was found has no valid reading, unless it is locked where it has the gauge. */
    private Optional<Reason> crackVoid() {
        String setting = step.setting().orElse("");
        if (step.kind() != Step.Kind.LOCK || step.readsItself() || step.cracks()) {
            return Optional.empty();
        }
        return run.plan().steps().stream()
                .filter(s -> s.cracks() && s.setting().filter(setting::equals).isPresent())
                .flatMap(s -> run.record(s.id()).crackedEvent().stream())
                .filter(c -> run.screws().lastTurn(setting) > c.seq())
                .findFirst()
                .map(c -> Reason.of("run.need.crack-again").name("setting", setting));
    }

    /** The value that decides a setting in this step, Pa: its crack point, or what its goal is read by. */
    public OptionalDouble decisive() {
        if (step.cracks()) {
            return record.cracked().map(c -> OptionalDouble.of(c.pressurePa())).orElse(OptionalDouble.empty());
        }
        return record.measure();
    }

    /** Whether what was read may be left as it is, for a reason: never a failed proof of zero. */
    public boolean mayBeLeft() {
        return !step.demands(Demand.ZERO)
                && notAsItMustBe().isEmpty()
                && judged().size() == step.expect().size()
                && !readingsMissing().isEmpty();
    }

    /** Whether a setting stands higher than the schematic lets it. */
    public boolean aboveSchematic() {
        if (step.goal().orElse(null) instanceof Goal.Rate rate) {
            return record.measure().isPresent() && record.measure().getAsDouble() > rate.target() + rate.tolerance();
        }
        return step.judgesSetting()
                && decisive().isPresent()
                && step.measured()
                        .filter(g -> decisive().getAsDouble() > g.targetPa() + g.tolerancePa())
                        .isPresent();
    }
}
