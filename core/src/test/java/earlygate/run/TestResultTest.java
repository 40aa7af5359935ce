package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.explain.Reason;
import earlygate.fixture.Units;
import earlygate.judge.Verdict.Grade;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.plan.Curve;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.Noted;
import earlygate.solve.Transient;
import earlygate.verify.Fit;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A test of the finished unit is judged by all its readings together, and says so in figures. */
class TestResultTest {
    static List<Step> of(Steps unit, Procedure.Kind kind) {
        return unit.plan.steps().stream()
                .filter(s -> s.procedure().filter(p -> p.kind() == kind).isPresent())
                .toList();
    }

    static TestResult tested(Steps unit, Procedure.Kind kind) {
        return TestResult.of(unit.state()).stream()
                .filter(t -> t.test().kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    static List<String> codes(List<Reason> said) {
        return said.stream().map(Reason::code).toList();
    }

    /** Every instrument of a step as the model has it, but for one. */
    static void good(Steps unit, Step step, String but, double factor) {
        for (Expect e : step.expect()) {
            double value = e.value() * (e.instrument().equals(but) ? factor : 1);
            unit.then(new RunEvent.Reading(step.id(), e.instrument(), value, RunEvent.Source.TYPED, Steps.WARM));
        }
    }

    @ParameterizedTest
    @CsvSource({"1, 1, PASS", "0.99, 1.015, PASS", "0.985, 1.02, FAIL"})
    void theSameLimitBothWays(double east, double west, Grade grade) {
        Steps sw = Steps.of("SW-03");
        List<Step> ways = of(sw, Procedure.Kind.BOTH_WAYS);
        assertThat(tested(sw, Procedure.Kind.BOTH_WAYS).grade()).isEmpty();
        good(sw, ways.get(0), "GP", east);
        assertThat(tested(sw, Procedure.Kind.BOTH_WAYS).grade())
                .as("one side says nothing")
                .isEmpty();
        good(sw, ways.get(1), "GP", west);
        TestResult both = tested(sw, Procedure.Kind.BOTH_WAYS);
        assertThat(both.grade()).contains(grade);
        assertThat(codes(both.said()).contains("run.need.both-ways")).isEqualTo(grade == Grade.FAIL);
        assertThat(sw.judge(ways.get(1)).missing().isEmpty()).isEqualTo(grade == Grade.PASS);
        assertThat(sw.judge(ways.get(1)).mayBeLeft()).isEqualTo(grade == Grade.FAIL);
    }

    @ParameterizedTest
    @CsvSource({"1.006, PASS", "1.014, FAIL"})
    void theLastReturnDecides(double last, Grade grade) {
        Steps nh = Steps.of("NH-04");
        List<Step> returns = of(nh, Procedure.Kind.RETURN).stream()
                .filter(s -> s.setting().orElseThrow().equals("P1.compensator"))
                .toList();
        good(nh, returns.get(0), "", 1);
        good(nh, returns.get(1), "", 1);
        good(nh, returns.get(2), "GP", last);
        TestResult test = TestResult.of(nh.state()).stream()
                .filter(t -> t.test().subject().equals("P1.compensator"))
                .findFirst()
                .orElseThrow();
        assertThat(test.grade()).contains(grade);
        assertThat(test.said().get(0).amounts().get("spread").si())
                .isEqualTo(Math.round((last - 1) / (1 + (last - 1) / 3) * 1000) / 10.0);
    }

    /** Behind a lever it is let go by the lever; on a machine that reports its handles nobody can claim it. */
    @Test
    void theLeverIsLetGo() {
        Steps nh = Steps.of("NH-04").onRig();
        Step letGo = nh.first(s -> s.demands(Demand.LOAD_MOVED));
        assertThat(codes(nh.judge(letGo).missing())).containsExactly("run.need.lever-moved");
        String lever = letGo.moves().get(0).id();
        nh.then(new Handled(letGo.id(), "shift", lever, "neutral"));
        assertThat(nh.judge(letGo).missing()).isEmpty();
    }

    /** Half a minute's charge is far too long for what the model says, and what nobody wrote down is left open. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "5 s, 2 min, PASS, ''",
                "30 s, 2 min, FAIL, noted.charge-time",
                "quickly, 2 min, PASS, ''",
                "-, -, PASS, ''"
            })
    void timesByTheClock(String charge, String rest, Grade grade, String missing) {
        Steps fb = Steps.of("FB-02");
        Step step = of(fb, Procedure.Kind.CYCLE).get(0);
        good(fb, step, "", 1);
        if (charge != null) {
            fb.then(new Noted(step.id(), "note.charge-time", charge), new Noted(step.id(), "note.rest-time", rest));
        }
        TestResult cycle = tested(fb, Procedure.Kind.CYCLE);
        assertThat(cycle.grade()).contains(grade);
        assertThat(String.join(" ", codes(fb.judge(step).missing()))).isEqualTo(missing);
        assertThat(codes(cycle.said()).contains("noted.charge-time-not")).isEqualTo(charge == null);
    }

    /** A hold is judged by its fall from where it really began: 12 bar higher at both ends is as good, 12 bar more is not. */
    @ParameterizedTest
    @CsvSource({"0, 0, PASS", "12, 12, PASS", "-12, -12, PASS", "12, -16, FAIL", "-12, 12, FAIL"})
    void aHoldIsJudgedByItsFall(double start, double end, Grade grade) {
        Steps accu = Steps.of(Units.stranger("12-accu-vented-relief"));
        List<Step> hold = of(accu, Procedure.Kind.HOLD);
        Expect from = hold.get(0).expect().get(0);
        Expect to = hold.get(1).expect().get(0);
        accu.then(
                read(hold.get(0), from.value() + start * 1e5, 50),
                new RunEvent.StepDone(hold.get(0).id()),
                read(hold.get(1), to.value() + end * 1e5, 50));
        TestResult test = tested(accu, Procedure.Kind.HOLD);
        assertThat(test.grade()).contains(grade);
        // A leak takes the same share of it wherever it began.
        double share = 1 + start * 1e5 / from.value();
        assertThat(test.said().get(0).amounts().get("expected").si())
                .isCloseTo(share * (from.value() - to.value()) / to.afterS() * 60, within(1.0));
    }

    /** A line that only came to a third of its pressure is given a third of the room: falling to nearly nothing fails. */
    @Test
    void aHoldThatBeganLowHasLessRoom() {
        Steps accu = Steps.of(Units.stranger("12-accu-vented-relief"));
        List<Step> hold = of(accu, Procedure.Kind.HOLD);
        accu.then(read(hold.get(0), 75e5, 50), new RunEvent.StepDone(hold.get(0).id()), read(hold.get(1), 60e5, 50));
        assertThat(tested(accu, Procedure.Kind.HOLD).grade()).contains(Grade.FAIL);
    }

    /** Oil at the end of a pack's band leaks faster than in its middle: what is left is what the model in time has with it. */
    @ParameterizedTest
    @CsvSource({"16", "32.5", "48"})
    void aHoldKnowsItsOil(double celsius) {
        Steps pack = Steps.of("PL-01");
        List<Step> hold = of(pack, Procedure.Kind.HOLD);
        double from = hold.get(0).expect().get(0).value();
        pack.then(
                read(hold.get(0), from, celsius),
                new RunEvent.StepDone(hold.get(0).id()));
        Step end = pack.state().plan().steps().stream()
                .filter(s -> s.id().equals(hold.get(1).id()))
                .findFirst()
                .orElseThrow();
        Network network = new Network(pack.unit);
        Conditions at = network.conditions(
                hold.get(0).situation().withOil(celsius + 273.15).withDriver("M1", false));
        Transient machine = new Transient(network);
        machine.restore(pack.answers.model().solve(hold.get(0).situation()).orElseThrow(), at);
        double seconds = end.expect().get(0).afterS();
        for (double t = 0; t < seconds - 0.05; t += 0.1) {
            machine.advance(at, 0.1);
        }
        assertThat(end.expect().get(0).value() / 1e5).isCloseTo(machine.pressure("A") / 1e5, within(3.0));
    }

    private static RunEvent.Reading read(Step step, double pressure, double celsius) {
        return new RunEvent.Reading(
                step.id(),
                step.expect().get(0).instrument(),
                pressure,
                RunEvent.Source.TYPED,
                OptionalDouble.of(celsius + 273.15));
    }

    /** The points that a curve asks for, its loss of flow so many times what the model has. */
    private static void curve(Steps unit, Step step, double loss, java.util.function.DoubleUnaryOperator share) {
        Curve c = step.curve().orElseThrow();
        double none = c.aims().stream().mapToDouble(Curve.Aim::flow).max().orElseThrow();
        unit.then(new RunEvent.Reading(step.id(), Expect.OIL, 50 + 273.15, RunEvent.Source.TYPED, Steps.WARM));
        for (Curve.Aim a : c.aims()) {
            double flow = (none - loss * (none - a.flow())) * share.applyAsDouble(a.pressurePa());
            OptionalDouble signal =
                    c.signal().isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(a.pressurePa() - 19e5);
            unit.then(new RunEvent.Point(
                    step.id(),
                    a.pressurePa(),
                    flow - a.beside(),
                    signal,
                    a.back(),
                    RunEvent.Source.TYPED,
                    OptionalDouble.of(50 + 273.15)));
        }
    }

    /** Left against right: alike, or one that loses two and a half times as much inside. */
    @ParameterizedTest
    @CsvSource({"1, tested.twins-pass, PASS", "2.5, tested.twins-fail, FAIL"})
    void twinPumps(double loss, String code, Grade grade) {
        Steps twin = Steps.of(Units.stranger("20-twin-limited"));
        List<Step> curves = twin.plan.steps().stream()
                .filter(s -> s.curve().filter(c -> c.kind() == Fit.Kind.PUMP).isPresent())
                .toList();
        assertThat(curves).hasSize(2);
        curve(twin, curves.get(0), 1, p -> 1);
        assertThat(tested(twin, Procedure.Kind.TWINS).grade()).isEmpty();
        curve(twin, curves.get(1), loss, p -> 1);
        TestResult pair = tested(twin, Procedure.Kind.TWINS);
        assertThat(codes(pair.said())).containsExactly(code);
        assertThat(pair.grade()).contains(grade);
    }

    /** A lever's flow stays while its load changes; a fifth less at the high load is told as such, a tenth is as much as the meter may be off. */
    @ParameterizedTest
    @CsvSource({"1, verify.steady.pass", "0.9, verify.steady.cannot-tell", "0.8, verify.steady.fail"})
    void flowUnderLoad(double atHighLoad, String code) {
        Steps nh = Steps.of("NH-04");
        Step step = nh.first(s -> s.curve().isPresent());
        curve(nh, step, 1, p -> p > 100e5 ? atHighLoad : 1);
        CurveTaken taken = CurveTaken.of(nh.state(), step).orElseThrow();
        assertThat(codes(taken.said())).contains(code);
        assertThat(taken.steady().orElseThrow().grade() == Grade.PASS).isEqualTo(atHighLoad == 1);
    }
}
