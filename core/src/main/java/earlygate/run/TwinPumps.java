package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.Verdict;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.verify.BothWaysTest;
import earlygate.verify.Estimate;
import earlygate.verify.Fit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Two like pumps on one drive, left against right: by their curves they deliver the same at the same load. Where they don't,
 * the swap test tells the pump from what hangs on it.
 */
final class TwinPumps {
    private TwinPumps() {}

    /** Other pumps that are its like, on the same drive. */
    static List<Pump> of(PowerUnit unit, Pump pump) {
        return unit.all(Pump.class).stream().filter(pump::isTwinOf).toList();
    }

    /** One for each pair of which both curves are steps of the plan. */
    static List<TestResult> compared(RunState run) {
        List<TestResult> pairs = new ArrayList<>();
        List<Pump> pumps = run.unit().all(Pump.class);
        for (Pump one : pumps) {
            for (Pump other : of(run.unit(), one)) {
                Optional<Step> left = curve(run, one);
                Optional<Step> right = curve(run, other);
                if (pumps.indexOf(one) < pumps.indexOf(other) && left.isPresent() && right.isPresent()) {
                    pairs.add(compared(run, one, other, left.get(), right.get()));
                }
            }
        }
        return pairs;
    }

    private static Optional<Step> curve(RunState run, Pump pump) {
        return run.plan().steps().stream()
                .filter(s -> s.curve()
                        .filter(c -> c.kind() == Fit.Kind.PUMP && c.subject().equals(pump.id()))
                        .isPresent())
                .findFirst();
    }

    private static TestResult compared(RunState run, Pump one, Pump other, Step left, Step right) {
        Procedure test = new Procedure(Procedure.Kind.TWINS, one.id() + ", " + other.id());
        List<Step> steps = List.of(left, right);
        Optional<Estimate> a = CurveTaken.of(run, left).flatMap(TwinPumps::efficiency);
        Optional<Estimate> b = CurveTaken.of(run, right).flatMap(TwinPumps::efficiency);
        if (a.isEmpty() || b.isEmpty()) {
            boolean done =
                    run.record(left.id()).isDone() && run.record(right.id()).isDone();
            return new TestResult(
                    test,
                    steps,
                    done ? Optional.of(Grade.CANNOT_TELL) : Optional.empty(),
                    List.of(Reason.of("tested.twins-not").name("one", one.id()).name("other", other.id())),
                    false);
        }
        double apart = Math.abs(a.get().value() - b.get().value());
        Verdict v = Verdict.of(
                apart, 0, BothWaysTest.WITHIN, a.get().half() + b.get().half());
        return new TestResult(
                test,
                steps,
                Optional.of(v.grade()),
                List.of(Reason.of("tested.twins-" + v.grade().key())
                        .name("one", one.id())
                        .name("other", other.id())
                        .number("first", hundredths(a.get().value()))
                        .number("second", hundredths(b.get().value()))
                        .number("doubt", hundredths(v.errorPa()))
                        .ratio("within", BothWaysTest.WITHIN)),
                false);
    }

    /** Of its points alone: one meter reads both, and what it is off by it is off by at each. */
    private static Optional<Estimate> efficiency(CurveTaken c) {
        return c.efficiency()
                .flatMap(any -> c.fit())
                .filter(Fit.Found.class::isInstance)
                .flatMap(f -> ((Fit.Found) f).parameter("volumetric-efficiency"));
    }

    private static double hundredths(double value) {
        return Math.round(100 * value) / 100.0;
    }
}
