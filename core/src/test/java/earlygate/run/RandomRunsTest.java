package earlygate.run;

import static earlygate.fixture.Units.demo;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.fixture.Plans;
import earlygate.judge.ReliefEstimate;
import earlygate.plan.Expect;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Source;
import earlygate.unit.PowerUnit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever hands do, in whatever order, at whatever step: the log stays readable, and every answer made of it. */
class RandomRunsTest {
    private static final int RUNS = Effort.of("runs", 60, 1000);
    private static final int LONGEST = 60;

    @ParameterizedTest
    @ValueSource(strings = {"LG-07", "FB-02", "BP-11", "NH-04", "SW-03", "WD-05", "DR-09", "PL-01"})
    void everyLogCanBeFoldedAndShown(String tag) {
        PowerUnit unit = demo(tag);
        Plan plan = Plans.of(unit);
        ModelCache answers = new ModelCache(unit);
        Random random = new Random(tag.hashCode());
        for (int run = 0; run < RUNS; run++) {
            boolean rig = random.nextBoolean();
            List<RunEvent> log = new ArrayList<>();
            int length = 1 + random.nextInt(LONGEST);
            RunState state = RunState.of(unit, plan, log, rig, answers);
            for (int i = 0; i < length; i++) {
                Body body = any(random, state);
                // One in eight gets past the rules, as a log of another version might.
                if (random.nextInt(8) == 0 || RunRules.refusal(state, body).isEmpty()) {
                    Instant at = Instant.EPOCH.plusSeconds(20L * i * random.nextInt(10));
                    log.add(new RunEvent(log.size() + 1, at, "A", body));
                    state = state.with(log.subList(log.size() - 1, log.size()));
                }
            }
            RunState whole = RunState.of(unit, plan, log, rig, answers);
            assertThat(told(state)).isEqualTo(told(whole));
            look(whole, answers);
        }
    }

    /** All that a run tells: folded one event after the other it is the same as folded at once. */
    private static List<Object> told(RunState run) {
        List<Object> told = new ArrayList<>(List.of(run.plan(), run.events(), run.oil(), run.waitingAt()));
        for (Step s : run.plan().steps()) {
            StepRecord record = run.record(s.id());
            told.addAll(List.of(record.turnedBy(), record.deviation(), record.attempts(), record.isDone()));
            told.addAll(List.of(record.cracked(), record.points(), record.measure(), record.loadMoved()));
            told.addAll(run.carried(s.id()));
            told.addAll(run.assess(s).missing());
            s.expect().forEach(e -> told.add(record.readingEvent(e.instrument())));
            s.notes().forEach(n -> told.add(record.note(n.code())));
        }
        run.unit().settings().forEach(s -> {
            told.addAll(List.of(run.position(s.id()), run.slope(s.id()), run.nutTight(s.id())));
            told.addAll(List.of(run.screws().lastTurn(s.id()), run.screws().firstRead(s.id())));
        });
        return told;
    }

    private static void look(RunState state, ModelCache answers) {
        for (Step s : state.plan().steps()) {
            StepAssessment judge = state.assess(s);
            judge.judged().forEach(j -> assertThat(j.message().code()).isNotEmpty());
            assertThat(judge.missing()).isNotNull();
            judge.mayBeLeft();
            judge.aboveSchematic();
        }
        state.current().flatMap(s -> Coach.advice(state, s, answers)).ifPresent(a -> {
            assertThat(a.turns()).isFinite();
            assertThat(Math.abs(a.turns())).isLessThanOrEqualTo(20);
        });
        RunRecord record = RunRecord.of(state);
        record.settings().forEach(s -> assertThat(s.asFoundPa()).isFinite());
        assertThat(record.passed()).isEqualTo(state.finished() && record.passed());
    }

    private static Body any(Random r, RunState state) {
        List<Step> steps = state.plan().steps();
        Step step = r.nextInt(5) == 0 || state.current().isEmpty()
                ? steps.get(r.nextInt(steps.size()))
                : state.current().get();
        String id = r.nextInt(40) == 0 ? "s999" : step.id();
        String setting = r.nextInt(3) == 0 || step.setting().isEmpty()
                ? state.unit()
                        .settings()
                        .get(r.nextInt(state.unit().settings().size()))
                        .id()
                : step.setting().get();
        double turns = (r.nextInt(65) - 32) / 16.0;
        return switch (r.nextInt(18)) {
            case 0, 1, 2 -> new RunEvent.StepDone(id);
            case 3, 4, 5 -> reading(r, state, step, id);
            case 6, 7 -> new RunEvent.Turned(id, setting, turns, r.nextInt(4) == 0);
            case 8 -> new RunEvent.Cracked(id, r.nextDouble() * 300e5, source(r), oil(r), stands(r));
            case 9 -> new RunEvent.Deviation(id, r.nextBoolean() ? "" : "left so for a reason", by(r));
            case 10 -> new RunEvent.Again(id);
            case 11 -> new RunEvent.Reopened(id);
            case 12 -> new RunEvent.Struck(id, r.nextInt(40));
            case 13 ->
                new RunEvent.Handled(
                        id, new String[] {"open", "nut", "start", "shift"}[r.nextInt(4)], "TV1", "" + r.nextInt(2));
            case 15 -> new RunEvent.Replaced(id, setting);
            case 16 -> new RunEvent.Began(Optional.empty(), List.of(taught(r, setting)));
            case 14 -> new RunEvent.Noted(id, "", "level at the mark");
            default ->
                new RunEvent.HoldOpened(state.waitingAt().map(p -> p.id().key()).orElse("nowhere"));
        };
    }

    private static Body reading(Random r, RunState state, Step step, String id) {
        List<Expect> expect = step.expect();
        Expect e = expect.isEmpty() ? null : expect.get(r.nextInt(expect.size()));
        String instrument =
                e == null ? state.unit().testPoints().get(0).id() : r.nextInt(10) == 0 ? Expect.OIL : e.instrument();
        double value = e == null ? r.nextDouble() * 200e5 : e.value() * (0.9 + 0.2 * r.nextDouble());
        return new RunEvent.Reading(id, instrument, value, source(r), oil(r));
    }

    private static Optional<ReliefEstimate> stands(Random r) {
        double at = r.nextDouble() * 300e5;
        return r.nextBoolean() ? Optional.empty() : Optional.of(new ReliefEstimate(at, at - 2e5, at + 2e5));
    }

    private static ScrewTaught taught(Random r, String setting) {
        double slope = r.nextDouble() * 80e5;
        OptionalDouble travel = r.nextBoolean() ? OptionalDouble.empty() : OptionalDouble.of(6 * r.nextDouble());
        return new ScrewTaught(
                setting, "G1", slope, slope / 10, r.nextInt(4), 0.1 * r.nextGaussian(), travel, Instant.EPOCH, "B");
    }

    private static Source source(Random r) {
        return Source.values()[r.nextInt(3)];
    }

    private static OptionalDouble oil(Random r) {
        return r.nextInt(3) == 0 ? OptionalDouble.empty() : OptionalDouble.of(290 + 60 * r.nextDouble());
    }

    private static Optional<String> by(Random r) {
        return r.nextBoolean() ? Optional.empty() : Optional.of("B. Second");
    }
}
