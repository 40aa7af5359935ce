package earlygate.run;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;

/**
 * What a run has measured so far, carried into what the steps after it expect: a section relief is read at its target
 * plus the standby that was really measured, a branch beside the supply that is really there.
 *
 * <p>A done step whose limiter S had the gauge tells where S really stands: the model's reading is brought to the measured
 * one by moving S, {@code dS = (measured - model) / (dp/dS)}. A later step that leaves S where that step had it is solved
 * with S there; what its gauges then show more or less is added to what they must show. A step's own setting is never
 * moved so: it is judged against the drawing.
 */
final class MeasuredOffsets {
    /** Settings nearer than this in two steps were not moved between them, Pa. */
    private static final double SAME = 0.02 * BAR;
    /** Less than any gauge shows, Pa. */
    private static final double NOTHING = 0.05 * BAR;
    /** Pa of reading per Pa of setting from which on a reading tells where the setting stands. */
    private static final double TELLS = 0.5;

    private static final double NUDGE = 0.5 * BAR;
    /** As near as a hand opens a load to where the plan has it. */
    private static final double OFF_BY = 0.9;

    /**
     * A step as this machine will show it.
     *
     * @param why where settings really stand that move its readings; empty where none does
     */
    record AdjustedStep(Step step, List<Reason> why) {}

    /** @param planned Pa, where the plan has it; {@code off} by how much it stands higher; {@code error} of that gauge */
    private record Real(double planned, double off, double error, String gauge) {}

    private final PowerUnit unit;
    private final ModelCache answers;
    private final Map<String, Real> real = new LinkedHashMap<>();
    private final HoldBaseline held;

    /** @param oilAt K, known for an event of a step */
    MeasuredOffsets(PowerUnit unit, ModelCache answers, BiFunction<RunEvent, String, OptionalDouble> oilAt) {
        this.held = new HoldBaseline(unit.fluid(), oilAt);
        this.unit = unit;
        this.answers = answers;
    }

    /** The step as this machine will show it; itself where nothing measured before matters to it. */
    AdjustedStep applyTo(Step step) {
        Map<String, Double> moved = moved(step);
        if (moved.isEmpty() || step.expect().isEmpty()) {
            return held.applyTo(new AdjustedStep(step, List.of()));
        }
        return held.applyTo(answers.shifted(step, moved, () -> shifted(step, moved)));
    }

    /** What a done step tells; {@code step} as it was expected when it was done. */
    void record(Step step, StepRecord record) {
        held.record(step, record);
        Optional<String> told = limiter(step);
        OptionalDouble off = offset(step, record);
        if (!record.isDone() || told.isEmpty() || off.isEmpty()) {
            return;
        }
        String s = told.get();
        Map<String, Double> moved = moved(step);
        Situation as = situation(step, moved);
        double planned = value(step.situation(), s);
        double before = value(as, s) - planned;
        String gauge = gauge(step).orElseThrow().id();
        double error = unit.testPoint(gauge).errorPa();
        if (step.cracks()) {
            real.put(s, new Real(planned, off.getAsDouble(), error, gauge));
            return;
        }
        answers.slope(step, s, moved, () -> slope(step, as, s))
                .filter(x -> x >= TELLS)
                .ifPresent(x -> real.put(s, new Real(planned, before + off.getAsDouble() / x, error, gauge)));
    }

    /** Whether the reading tells how far a hand has opened a load, rather than where a setting stands. */
    private boolean hangsOnAHand(Step step, Situation as) {
        double error = gauge(step).orElseThrow().errorPa();
        return as.openings().entrySet().stream()
                .filter(o -> o.getValue() > 0 && o.getValue() < 1)
                .map(o -> as.withOpening(o.getKey(), OFF_BY * o.getValue()))
                .anyMatch(other -> answers.model()
                        .solve(other)
                        .flatMap(a -> answers.model().solve(as).map(b -> Math.abs(measure(step, a) - measure(step, b))))
                        .filter(by -> by > error)
                        .isPresent());
    }

    /** Pa of the step's reading per Pa of a setting; empty where it tells nothing of it. */
    private Optional<Double> slope(Step step, Situation as, String setting) {
        if (hangsOnAHand(step, as)) {
            return Optional.empty();
        }
        double at = value(as, setting);
        return answers.model()
                .solve(as.withSetting(setting, at + NUDGE))
                .flatMap(up -> answers.model()
                        .solve(as.withSetting(setting, at - NUDGE))
                        .map(down -> (measure(step, up) - measure(step, down)) / (2 * NUDGE)));
    }

    /** Whose place the step's reading tells: its own adjuster's where it is judged, else who has the gauge. */
    private Optional<String> limiter(Step step) {
        if (step.cracks()) {
            return step.setting();
        }
        return step.inControl()
                .filter(id -> unit.settings().stream().anyMatch(x -> x.id().equals(id) && x.isPressure()));
    }

    private Optional<TestPoint> gauge(Step step) {
        if (step.measured().isPresent()) {
            return unit.findTestPoint(step.measured().get().testPoint());
        }
        List<Expect> read = pressures(step);
        return read.size() == 1 ? unit.findTestPoint(read.get(0).instrument()) : Optional.empty();
    }

    private static List<Expect> pressures(Step step) {
        return step.expect().stream()
                .filter(e -> e.kind() == Kind.PRESSURE && e.take() == Expect.Take.STANDING)
                .toList();
    }

    /** By how much the reading lies above what the model had there, Pa. */
    private OptionalDouble offset(Step step, StepRecord record) {
        if (gauge(step).isEmpty()) {
            return OptionalDouble.empty();
        }
        if (step.cracks()) {
            double target = step.measured().orElseThrow().targetPa();
            return record.cracked().isPresent()
                    ? OptionalDouble.of(record.cracked().get().pressurePa() - target)
                    : OptionalDouble.empty();
        }
        if (step.measured().isPresent()) {
            Goal.Measured goal = step.measured().get();
            List<String> read = new ArrayList<>(List.of(goal.testPoint()));
            goal.minus().ifPresent(read::add);
            if (record.measure().isEmpty()
                    || !pressures(step).stream()
                            .map(Expect::instrument)
                            .toList()
                            .containsAll(read)) {
                return OptionalDouble.empty();
            }
            double model = expected(step, goal.testPoint())
                    - goal.minus().map(m -> expected(step, m)).orElse(0.0);
            return OptionalDouble.of(record.measure().getAsDouble() - model);
        }
        Expect e = pressures(step).get(0);
        return record.reading(e.instrument())
                .map(r -> OptionalDouble.of(r.value() - e.value()))
                .orElse(OptionalDouble.empty());
    }

    private static double expected(Step step, String gauge) {
        return pressures(step).stream()
                .filter(e -> e.instrument().equals(gauge))
                .mapToDouble(Expect::value)
                .findFirst()
                .orElseThrow();
    }

    private double measure(Step step, SteadyState state) {
        double on = state.pressure(gauge(step).orElseThrow().line());
        return on
                - step.goal()
                        .flatMap(Goal::minus)
                        .map(m -> state.pressure(unit.testPoint(m).line()))
                        .orElse(0.0);
    }

    /** Settings that stand in this step as they stood when they were measured, and where that is, Pa. */
    private Map<String, Double> moved(Step step) {
        Map<String, Double> moved = new LinkedHashMap<>();
        real.forEach((id, r) -> {
            boolean own = step.setting().filter(id::equals).isPresent();
            boolean stands = Math.abs(value(step.situation(), id) - r.planned()) < SAME;
            if (!own && stands && Math.abs(r.off()) >= NOTHING) {
                moved.put(id, r.planned() + r.off());
            }
        });
        return moved;
    }

    private double value(Situation s, String setting) {
        return unit.at(s).setting(setting);
    }

    private static Situation situation(Step step, Map<String, Double> moved) {
        Situation s = step.situation();
        for (Map.Entry<String, Double> e : moved.entrySet()) {
            s = s.withSetting(e.getKey(), e.getValue());
        }
        return s;
    }

    private AdjustedStep shifted(Step step, Map<String, Double> moved) {
        Optional<SteadyState> planned = answers.model().solve(step.situation());
        Optional<SteadyState> now = answers.model().solve(situation(step, moved));
        if (planned.isEmpty() || now.isEmpty()) {
            return new AdjustedStep(step, List.of());
        }
        List<Expect> expect = new ArrayList<>();
        for (Expect e : step.expect()) {
            double by = fixed(step, e) ? 0 : by(e, planned.get(), now.get());
            boolean shifts = e.kind() == Kind.PRESSURE && Math.abs(by) >= NOTHING;
            expect.add(shifts ? moved(step, e, by, moved) : e);
        }
        if (expect.equals(step.expect())) {
            return new AdjustedStep(step, List.of());
        }
        double goalBy =
                step.measured().isEmpty() || drawn(step) ? 0 : measure(step, now.get()) - measure(step, planned.get());
        return new AdjustedStep(step.reading(expect, goalBy), reasons(step, moved, planned.get()));
    }

    /** The drawing's own figure stays what it is: only what another setting adds to it moves. */
    private boolean fixed(Step step, Expect e) {
        return e.take() != Expect.Take.STANDING
                || step.goal().filter(g -> g.reads(e.instrument())).isPresent() && drawn(step);
    }

    private boolean drawn(Step step) {
        Goal.Measured goal = step.measured().orElse(null);
        if (goal == null || !step.judgesSetting()) {
            return goal instanceof Goal.Crack;
        }
        double asked = unit.target(step.setting().orElseThrow()).orElseThrow().pressurePa();
        return goal instanceof Goal.Crack || Math.abs(goal.targetPa() - asked) < NOTHING;
    }

    private double by(Expect e, SteadyState planned, SteadyState now) {
        return unit.findTestPoint(e.instrument())
                .map(t -> now.pressure(t.line()) - planned.pressure(t.line()))
                .orElse(0.0);
    }

    /** On another gauge than the one it was measured on, that one's error may be all there is to it. */
    private Expect moved(Step step, Expect e, double by, Map<String, Double> moved) {
        boolean judged = step.judgesSetting()
                && step.goal().filter(g -> g.reads(e.instrument())).isPresent();
        double doubt = judged
                ? 0
                : moved.keySet().stream()
                        .map(real::get)
                        .filter(r -> !r.gauge().equals(e.instrument()))
                        .mapToDouble(Real::error)
                        .max()
                        .orElse(0);
        double back = Math.min(doubt, Math.abs(by));
        return new Expect(
                e.instrument(),
                e.kind(),
                e.value() + by,
                Math.max(0, e.low() + (by > 0 ? by - back : by)),
                e.high() + (by < 0 ? by + back : by),
                e.take(),
                e.afterS());
    }

    /** Those of the moved settings that matter here. */
    private List<Reason> reasons(Step step, Map<String, Double> moved, SteadyState planned) {
        return moved.entrySet().stream()
                .filter(m -> answers.model()
                        .solve(step.situation().withSetting(m.getKey(), m.getValue()))
                        .filter(alone ->
                                step.expect().stream().anyMatch(e -> Math.abs(by(e, planned, alone)) >= NOTHING))
                        .isPresent())
                .map(m -> Reason.of("run.carried")
                        .name("setting", m.getKey())
                        .name("gauge", real.get(m.getKey()).gauge())
                        .pressure("stands", m.getValue())
                        .pressure("planned", real.get(m.getKey()).planned()))
                .toList();
    }
}
