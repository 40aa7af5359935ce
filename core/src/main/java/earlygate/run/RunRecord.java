package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.Verdict;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.quantity.Keyed;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.Reading;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What stays of a run: each setting as found and as left against its target, the tests, every reading that was ever
 * taken, and every deviation with its reason.
 *
 * @param passed every step done, every gate open, every reading good, no deviation
 */
public record RunRecord(
        List<SettingRecord> settings,
        List<TestRecord> tests,
        List<Taken> taken,
        List<NoteRecord> notes,
        boolean finished,
        boolean passed) {
    public enum AsFound implements Keyed {
        /** From the turns it took to an end of the screw and the slope learned later. */
        BY_TURNS,
        /** Read on its gauge before the screw was touched. */
        READ,
        /** The turns counted don't explain what was read last, so some were not: what the sheet said. */
        COUNT_INCOMPLETE,
        /** Nobody counted and nobody read: what the sheet said. */
        FROM_SHEET;

        /** A hand or a gauge found it out; the others are what the sheet said. */
        public boolean known() {
            return this == READ || this == BY_TURNS;
        }

        /** Of the keys of this edition; one that it doesn't have is not known. */
        public static boolean known(String key) {
            return Arrays.stream(values()).anyMatch(a -> a.known() && a.key().equals(key));
        }
    }

    /** Share of a screw's travel that count and reading may differ by, springs being what they are. */
    private static final double COUNT_FITS = 0.4;

    /**
     * @param asLeftPa the setting by the reading after the jam nut was tight; only that one counts
     * @param instruments the gauge it is read on, or two whose difference it is; none where no step reads it
     * @param oil K
     * @param why the verdict in figures
     * @param crackFoundPa what stood before the relief cracked; {@code stands} where it stood itself, computed
     * @param attempts how often its setting and its locking were begun, together
     */
    public record SettingRecord(
            String setting,
            double asFoundPa,
            AsFound asFoundFrom,
            OptionalDouble asLeftPa,
            Target target,
            Optional<Verdict.Grade> verdict,
            List<String> instruments,
            OptionalDouble oil,
            Optional<Instant> at,
            Optional<String> deviation,
            Optional<Double> crackFoundPa,
            Optional<Double> crackTappedPa,
            Optional<ReliefEstimate> stands,
            Optional<Reason> why,
            int attempts) {
        /** How far it was left from its target, Pa; empty until it was. */
        public OptionalDouble errorPa() {
            return asLeftPa.isPresent()
                    ? OptionalDouble.of(asLeftPa.getAsDouble() - target.pressurePa())
                    : OptionalDouble.empty();
        }
    }

    /** A reading asked for in a step: what was expected, what came. */
    public record TestRecord(
            Phase.Id phase,
            Step step,
            Expect expect,
            RunEvent reading,
            Verdict.Grade grade,
            Optional<Deviation> deviation) {}

    /** @param counts it is one of those that the record rests on; otherwise an earlier attempt, or a slip */
    public record Taken(RunEvent event, boolean counts, boolean slip) {}

    public record NoteRecord(Step step, Noted note, Instant at) {}

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
        return new RunRecord(settings, tests, taken(run, tests), notes(run), run.finished(), passed);
    }

    private static List<Taken> taken(RunState run, List<TestRecord> tests) {
        Set<Long> counting = tests.stream().map(t -> t.reading().seq()).collect(Collectors.toSet());
        return run.events().stream()
                .filter(e -> e.body() instanceof Reading || e.body() instanceof Cracked)
                .map(e -> new Taken(e, counting.contains(e.seq()), run.isStruck(e.seq())))
                .toList();
    }

    private static List<NoteRecord> notes(RunState run) {
        return run.events().stream()
                .filter(e -> e.body() instanceof Noted && !run.isStruck(e.seq()))
                .flatMap(e ->
                        run
                                .step(((Noted) e.body()).step())
                                .map(s -> new NoteRecord(s, (Noted) e.body(), e.at()))
                                .stream())
                .toList();
    }

    private static SettingRecord setting(RunState run, Setting s, Target target) {
        Optional<Step> lock = AsLeft.lockOf(run, s.id());
        Optional<StepRecord> record = lock.map(x -> run.record(x.id()));
        Optional<RunEvent> reading = lock.flatMap(x -> x.cracks()
                ? record.get().crackedEvent()
                : record.get().readingEvent(x.goal().orElseThrow().testPoint()));
        double offset = AsLeft.offset(lock, target);
        OptionalDouble asLeft = AsLeft.of(run, target);
        Optional<StepAssessment.Judged> judged =
                lock.flatMap(x -> run.assess(x).judged().stream().findFirst());
        OptionalDouble oil = reading.isPresent()
                ? run.oilAt(reading.get(), lock.orElseThrow().id())
                : OptionalDouble.empty();
        Found found = found(run, s, asLeft, offset);
        Optional<Step> cracks = run.plan().steps().stream()
                .filter(x -> x.cracks() && x.setting().filter(s.id()::equals).isPresent())
                .findFirst();
        Optional<StepRecord> cracking = cracks.map(x -> run.record(x.id()));
        return new SettingRecord(
                s.id(),
                found.pressurePa(),
                found.from(),
                asLeft,
                target,
                judged.map(StepAssessment.Judged::grade),
                lock.flatMap(Step::goal).map(RunRecord::instruments).orElse(List.of()),
                oil,
                reading.map(RunEvent::at),
                run.plan().steps().stream()
                        .filter(x -> x.judgesSetting()
                                && x.setting().filter(s.id()::equals).isPresent())
                        .flatMap(x -> run.record(x.id()).deviation().stream())
                        .map(RunRecord::said)
                        .reduce((a, b) -> a + "; " + b),
                cracking.flatMap(StepRecord::cracked).map(Cracked::pressurePa),
                cracking.flatMap(StepRecord::tapped).map(Cracked::pressurePa),
                cracks.flatMap(x -> ReliefCheck.of(run, x)),
                judged.map(StepAssessment.Judged::message),
                run.plan().steps().stream()
                        .filter(x -> x.judgesSetting()
                                && x.setting().filter(s.id()::equals).isPresent())
                        .mapToInt(x -> run.record(x.id()).attempts())
                        .sum());
    }

    private static List<String> instruments(Goal goal) {
        return Stream.concat(Stream.of(goal.testPoint()), goal.minus().stream()).toList();
    }

    /** A reason with the name of whoever released it. */
    public static String said(Deviation d) {
        return d.releasedBy().map(r -> d.reason() + " (" + r + ")").orElse(d.reason());
    }

    private record Found(double pressurePa, AsFound from) {}

    private static Found found(RunState run, Setting s, OptionalDouble asLeft, double offset) {
        OptionalDouble came = asItCame(run, s);
        if (came.isPresent()) {
            return new Found(Math.max(0, came.getAsDouble()), AsFound.READ);
        }
        if (run.screws().firstRead(s.id()).isPresent()) {
            return new Found(Math.max(0, run.screws().firstRead(s.id()).getAsDouble() - offset), AsFound.READ);
        }
        if (run.screws().foundAt(s.id()).isPresent() && run.position(s.id()).isPresent() && asLeft.isPresent()) {
            double slope = run.slope(s.id()).perTurn();
            double byReading = (asLeft.getAsDouble() - s.screw().minPa()) / slope;
            double off = Math.abs(byReading - run.position(s.id()).getAsDouble());
            if (off > COUNT_FITS * s.screw().travel()) {
                return new Found(Math.max(0, s.present()), AsFound.COUNT_INCOMPLETE);
            }
            double turns = run.screws().foundAt(s.id()).getAsDouble()
                    - run.position(s.id()).getAsDouble();
            double found = asLeft.getAsDouble() + turns * slope;
            return new Found(Math.max(0, found), AsFound.BY_TURNS);
        }
        return new Found(Math.max(0, s.present()), AsFound.FROM_SHEET);
    }

    /** Where its own step read it before any screw was touched: the sheet's value, and what the gauge showed more. */
    private static OptionalDouble asItCame(RunState run, Setting s) {
        return run.plan().steps().stream()
                .filter(x -> x.demands(Step.Demand.AS_FOUND)
                        && x.setting().filter(s.id()::equals).isPresent()
                        && x.expect().stream()
                                .allMatch(e -> run.record(x.id())
                                        .reading(e.instrument())
                                        .isPresent()))
                .mapToDouble(x -> s.present() + more(run, x, 0) - (x.expect().size() > 1 ? more(run, x, 1) : 0))
                .findFirst();
    }

    private static double more(RunState run, Step step, int at) {
        Expect e = step.expect().get(at);
        return run.record(step.id()).reading(e.instrument()).orElseThrow().value() - e.value();
    }

    private static List<TestRecord> tests(RunState run, Phase.Id phase, Step step) {
        if (step.demands(Step.Demand.AS_FOUND)) {
            // What was found stands with its setting; it is no test.
            return List.of();
        }
        StepRecord record = run.record(step.id());
        List<StepAssessment.Judged> judged = run.assess(step).judged();
        return step.expect().stream()
                .flatMap(e -> judged.stream()
                        .filter(j -> j.instrument().equals(e.instrument()))
                        .map(j -> new TestRecord(
                                phase, step, e, deciding(record, step, e.instrument()), j.grade(), record.deviation())))
                .toList();
    }

    /** The event whose number decides an instrument's expectation in a step: a crack point, or the last reading. */
    public static RunEvent deciding(StepRecord record, Step step, String instrument) {
        boolean crack = step.cracks() && step.goal().orElseThrow().reads(instrument);
        return (crack ? record.crackedEvent() : record.readingEvent(instrument)).orElseThrow();
    }

    /** The number in a reading or crack event, SI. */
    public static double value(RunEvent event) {
        return event.body() instanceof Cracked c ? c.pressurePa() : ((Reading) event.body()).value();
    }
}
