package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Reading;
import earlygate.run.StepAssessment.Judged;
import earlygate.verify.BothWaysTest;
import earlygate.verify.ReturnTest;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/**
 * A test of the finished unit as a whole: what all its readings together say. SI.
 *
 * @param steps the steps that read for it, in order
 * @param grade FAIL where one reading fails or they don't agree; CANNOT_TELL where a gauge or a missing figure leaves it
 *     open; empty while not all of it is read
 * @param said the verdict in figures
 * @param excused by a deviation with its reason
 */
public record TestResult(Procedure test, List<Step> steps, Optional<Grade> grade, List<Reason> said, boolean excused) {
    /** In the order of the plan; none of plans before edition 7. */
    public static List<TestResult> of(RunState run) {
        Map<Procedure, List<Step>> tests = new LinkedHashMap<>();
        run.plan()
                .steps()
                .forEach(s -> s.procedure()
                        .ifPresent(p ->
                                tests.computeIfAbsent(p, x -> new ArrayList<>()).add(s)));
        return Stream.concat(
                        tests.entrySet().stream().map(e -> new Of(run, e.getKey(), e.getValue()).tested()),
                        TwinPumps.compared(run).stream())
                .toList();
    }

    private record Of(RunState run, Procedure test, List<Step> steps) {
        TestResult tested() {
            List<Judged> judged =
                    steps.stream().flatMap(s -> run.assess(s).judged().stream()).toList();
            long asked = steps.stream().mapToLong(s -> s.expect().size()).sum();
            boolean excused =
                    steps.stream().anyMatch(s -> run.record(s.id()).deviation().isPresent());
            List<FiguresNoted> noted = steps.stream()
                    .flatMap(s -> FiguresNoted.of(s, run.record(s.id())).stream())
                    .toList();
            List<Reason> said = new ArrayList<>();
            if (judged.size() < asked) {
                said.add(Reason.of("tested.not-read")
                        .number("read", judged.size())
                        .number("asked", asked));
                return new TestResult(test, steps, Optional.empty(), said, excused);
            }
            Optional<Reason> apart = RepeatedReadings.missing(run, steps.get(steps.size() - 1));
            said.addAll(told());
            apart.ifPresent(said::add);
            judged.stream()
                    .filter(j -> j.grade() != Grade.PASS)
                    .map(Judged::message)
                    .forEach(said::add);
            noted.forEach(n -> said.add(n.said()));
            List<Grade> grades =
                    new ArrayList<>(judged.stream().map(Judged::grade).toList());
            noted.stream()
                    .map(FiguresNoted::grade)
                    .filter(g -> g == Grade.FAIL || isAllNoted())
                    .forEach(grades::add);
            apart.ifPresent(why -> grades.add(Grade.FAIL));
            return new TestResult(test, steps, Optional.of(worst(grades)), said, excused);
        }

        /** Where what is written down is the test itself, the gauges alone tell nothing. */
        private boolean isAllNoted() {
            return test.kind() == Procedure.Kind.VENT || test.kind() == Procedure.Kind.SPEED;
        }

        private static Grade worst(List<Grade> grades) {
            return grades.contains(Grade.FAIL)
                    ? Grade.FAIL
                    : grades.contains(Grade.CANNOT_TELL) ? Grade.CANNOT_TELL : Grade.PASS;
        }

        private List<Reason> told() {
            List<Double> pressures = RepeatedReadings.pressures(run, steps);
            return switch (test.kind()) {
                case RETURN ->
                    List.of(span("tested.return", pressures)
                            .number("spread", RepeatedReadings.percent(ReturnTest.spread(pressures)))
                            .number("within", RepeatedReadings.percent(ReturnTest.WITHIN)));
                case BOTH_WAYS ->
                    List.of(span("tested.both-ways", pressures)
                            .number("spread", RepeatedReadings.percent(ReturnTest.spread(pressures)))
                            .number("within", RepeatedReadings.percent(BothWaysTest.WITHIN)));
                case HOLD -> List.of(hold());
                case CYCLE -> cycle(pressures);
                case TRANSFER -> transfer();
                default -> List.of(readings());
            };
        }

        private static Reason span(String code, List<Double> pressures) {
            return Reason.of(code)
                    .pressure("low", pressures.stream().min(Double::compare).orElseThrow())
                    .pressure("high", pressures.stream().max(Double::compare).orElseThrow());
        }

        private Reason hold() {
            Step end = steps.get(steps.size() - 1);
            Expect later = end.expect().get(0);
            double from = value(steps.get(0), later);
            double to = value(end, later);
            return Reason.of("tested.hold")
                    .pressure("from", from)
                    .pressure("to", to)
                    .time("time", later.afterS())
                    .pressure("minute", (from - to) / later.afterS() * 60)
                    .pressure("expected", (from - later.value()) / later.afterS() * 60);
        }

        /** Its cut-out was read when it was set and locked. */
        private List<Reason> cycle(List<Double> cutIn) {
            return AsLeft.lockOf(run, test.subject())
                    .map(s -> run.assess(s).decisive())
                    .filter(OptionalDouble::isPresent)
                    .map(cutOut -> List.of(Reason.of("tested.cycle")
                            .pressure("cutOut", cutOut.getAsDouble())
                            .pressure("cutIn", cutIn.get(0))
                            .number("ratio", RepeatedReadings.percent(1 - cutIn.get(0) / cutOut.getAsDouble()))))
                    .orElse(List.of(Reason.of("tested.cut-in").pressure("cutIn", cutIn.get(0))));
        }

        /** Each side of it as it was read, and what it means by the model. */
        private List<Reason> transfer() {
            Map<String, Amount> model = steps.get(0).why().amounts();
            return List.of(
                    readings(),
                    Reason.of("tested.transfer")
                            .with("before", model.get("before"))
                            .with("after", model.get("after"))
                            .power(
                                    "saved",
                                    model.get("both").si()
                                            - model.get("powerAfter").si()));
        }

        /** Each instrument of each step: what it read, and what was expected. */
        private Reason readings() {
            return Reason.of("tested.readings")
                    .said(
                            "readings",
                            steps.stream()
                                    .flatMap(s -> s.expect().stream().map(e -> reads(s, e)))
                                    .toList());
        }

        private Reason reads(Step s, Expect e) {
            return Reason.of(e.instrument().equals(Expect.OIL) ? "tested.reads-oil" : "tested.reads")
                    .name("instrument", e.instrument())
                    .with("reads", new Amount(value(s, e), e.kind()))
                    .with("expected", new Amount(e.value(), e.kind()));
        }

        private double value(Step s, Expect e) {
            return run.record(s.id())
                    .reading(e.instrument())
                    .map(Reading::value)
                    .orElseThrow();
        }
    }
}
