package earlygate.planner;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.json;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static earlygate.fixture.Units.withFlowControl;
import static earlygate.fixture.Units.withFlowScrew;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.audit.Audit;
import earlygate.audit.Violation;
import earlygate.explain.Value.Kind;
import earlygate.fixture.ChangedStep;
import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.quantity.Si;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** Flows and power limits are set as well, after the pressures, where something shows them. */
class RatesTest {
    private static Plan plan(PowerUnit unit) {
        Plan plan = Plans.of(unit);
        assertThat(plan.refused()).isEmpty();
        assertThat(Audit.of(Model.of(unit), plan)).isEmpty();
        return plan;
    }

    private static List<Step> about(Plan plan, String setting) {
        return plan.steps().stream()
                .filter(s -> s.setting().filter(setting::equals).isPresent())
                .toList();
    }

    private static int index(Plan plan, Step step) {
        return plan.steps().indexOf(step);
    }

    private static void afterEveryPressure(Plan plan, Step set) {
        plan.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET && s.measured().isPresent())
                .forEach(s -> assertThat(index(plan, s)).isLessThan(index(plan, set)));
    }

    /** A stop at 40 L/min is read as that, less what the pump leaks at the little pressure of an open load. */
    @Test
    void theFullStrokeStopIsSetOnTheUnitsOwnMeter() {
        ObjectNode unit = document("LG-07");
        unit.withArray("testPoints")
                .add(json("{'id':'FM1','component':'TV1','rangeLpm':120,'class':0.5,'reads':'L/min'}"));
        part(unit, "components", "P1").set("maxFlow", json("{'rangeLpm':[10,70],'lpmPerTurn':10}"));
        unit.withArray("targets").add(json("{'setting':'P1.maxFlow','flowLpm':40,'toleranceLpm':1}"));
        Plan plan = plan(read(unit));
        List<Step> steps = about(plan, "P1.maxFlow");
        assertThat(steps).extracting(Step::kind).containsExactly(Step.Kind.SET, Step.Kind.LOCK);
        afterEveryPressure(plan, steps.get(0));
        Goal.Rate goal = (Goal.Rate) steps.get(1).goal().orElseThrow();
        assertThat(goal.testPoint()).isEqualTo("FM1");
        assertThat(goal.target() / Si.LPM).isBetween(38.5, 41.0);
        assertThat(goal.tolerance() / Si.LPM).isCloseTo(1, within(0.1));
        assertThat(plan.steps()).noneMatch(s -> !s.situation().metered().isEmpty());
    }

    /** P = limit + drag at the shaft; the current follows from that and the plate. */
    @Test
    void aPowerLimiterIsSetOnTheCurrentOfItsMotor() {
        ObjectNode unit = document("LG-07");
        part(unit, "components", "P1").set("powerLimiter", json("{'limitKw':7,'rangeKw':[3,12],'kwPerTurn':2}"));
        unit.withArray("targets").add(json("{'setting':'P1.powerLimiter','limitKw':8,'toleranceKw':0.4}"));
        PowerUnit read = read(unit);
        Plan plan = plan(read);
        List<Step> steps = about(plan, "P1.powerLimiter");
        assertThat(steps).extracting(Step::kind).containsExactly(Step.Kind.SET, Step.Kind.LOCK);
        afterEveryPressure(plan, steps.get(0));
        Goal.Rate goal = (Goal.Rate) steps.get(0).goal().orElseThrow();
        assertThat(goal.quantity()).isEqualTo(Kind.CURRENT);
        ObjectNode motor = part(unit, "components", "M1");
        ObjectNode pump = part(unit, "components", "P1");
        double rated = motor.get("ratedCurrentA").asDouble();
        double idle = motor.path("noLoadCurrentA").asDouble(0.38 * rated);
        double speed = motor.get("ratedSpeedRpm").asDouble() / 60;
        double drag = 0.03
                * pump.get("displacementCm3").asDouble()
                * 1e-6
                * pump.get("ratedPressureBar").asDouble()
                * 1e5
                * speed
                / pump.path("hydromechanicalEfficiency").asDouble(0.92);
        double load = (8000 + drag) / (1000 * motor.get("ratedPowerKw").asDouble());
        double current = Math.sqrt(idle * idle + (rated * rated - idle * idle) * load * load);
        assertThat(goal.target()).isCloseTo(current, within(0.02 * current));
        assertThat(steps.get(0).moves()).anyMatch(m -> m.kind() == Move.Kind.TURN && m.amount() == 0.5);
    }

    /** Nobody knows yet where it stands: full flow over the relief would be too much for the motor without it, so the pump leads. */
    @Test
    void anUnsetLimiterProtectsNothing() {
        ObjectNode unit = document("LG-07");
        part(unit, "components", "P1").set("powerLimiter", json("{'limitKw':7,'rangeKw':[3,25],'kwPerTurn':2}"));
        unit.withArray("targets").add(json("{'setting':'P1.powerLimiter','limitKw':8,'toleranceKw':0.4}"));
        assertThat(plan(read(unit)).school()).isEqualTo(School.LEAD_WITH_PUMP);
        part(unit, "components", "P1").set("powerLimiter", json("{'limitKw':7}"));
        assertThat(plan(read(unit)).school()).isEqualTo(School.LEAD_WITH_RELIEF);
    }

    /** The meter goes on with the drive off and the lines proved empty, and comes off before hand-over. */
    @Test
    void aFlowControlIsSetOnAMeterThatIsFittedForIt() {
        ObjectNode unit = withFlowScrew();
        Plan plan = plan(read(unit));
        List<Step> steps = about(plan, "FC1");
        assertThat(steps).extracting(Step::kind).containsExactly(Step.Kind.SET, Step.Kind.LOCK);
        Goal.Rate goal = (Goal.Rate) steps.get(0).goal().orElseThrow();
        assertThat(goal.quantity()).isEqualTo(Kind.FLOW);
        assertThat(goal.target() / Si.LPM).isCloseTo(12, within(0.3));
        assertThat(plan.steps())
                .flatExtracting(Step::moves)
                .filteredOn(m -> m.id().equals(goal.testPoint()))
                .extracting(Move::kind)
                .containsExactly(Move.Kind.FIT, Move.Kind.REMOVE);
    }

    /** Without a current to read, a limiter of an engine's pump shows in the flow that is left at a pressure: q p = P. */
    @Test
    void anEnginesLimiterIsSetOnAFlowMeter() {
        ObjectNode unit = Units.strangerDocument("20-twin-limited");
        for (String pump : new String[] {"P1", "P2"}) {
            part(unit, "components", pump).set("powerLimiter", json("{'limitKw':36,'rangeKw':[20,60],'kwPerTurn':8}"));
            unit.withArray("targets").add(json("{'setting':'" + pump + ".powerLimiter','limitKw':40,'toleranceKw':2}"));
        }
        unit.withArray("testGear").add(json("{'id':'PFM1','type':'flow-meter','rangeLpm':120,'class':0.5}"));
        Plan plan = plan(read(unit));
        for (String pump : new String[] {"P1", "P2"}) {
            Step set = about(plan, pump + ".powerLimiter").get(0);
            afterEveryPressure(plan, set);
            Goal.Rate goal = (Goal.Rate) set.goal().orElseThrow();
            assertThat(goal.quantity()).isEqualTo(Kind.FLOW);
            assertThat(set.situation().metered()).containsKey(goal.testPoint());
        }
    }

    /** Nobody can turn it: its flow is read, and the plan says for what. */
    @Test
    void aFlowControlWithoutAScrewIsRead() {
        ObjectNode unit = withFlowControl();
        part(unit, "components", "FC1").put("setLpm", 12.3);
        Plan plan = plan(read(unit));
        assertThat(about(plan, "FC1")).isEmpty();
        Step test = plan.steps().stream()
                .filter(s -> s.expect().stream().anyMatch(e -> e.kind() == Kind.FLOW))
                .findFirst()
                .orElseThrow();
        assertThat(test.kind()).isEqualTo(Step.Kind.TEST);
        assertThat(test.expect().get(0).value() / Si.LPM).isCloseTo(12.3, within(0.1));
        assertThat(test.expect().get(0).low() / Si.LPM).as("of what is asked").isCloseTo(11.2, within(0.1));
        assertThat(test.expect().get(0).high() / Si.LPM).as("of what is asked").isCloseTo(12.8, within(0.1));
        assertThat(Audit.of(Model.of(read(unit)), plan)).isEmpty();
    }

    /** It lets 8 through by the sheet and 12 are asked: a reading of 8 must not pass for it. */
    @Test
    void whatIsNotWhatIsAskedIsNeverReadAsGood() {
        Plan plan = plan(read(withFlowControl()));
        assertThat(plan.steps()).noneMatch(s -> s.expect().stream().anyMatch(e -> e.kind() == Kind.FLOW));
        assertThat(plan.steps()).extracting(s -> s.action().code()).contains("plan.rate-off");
    }

    /** A meter that may be wrong by more than is asked shows nothing, nor does one that can't be fitted there. */
    @Test
    void aMeterTooCoarseOrOutOfReachShowsNothing() {
        ObjectNode coarse = withFlowScrew();
        coarse.withArray("testGear").add(json("{'id':'PFM1','type':'flow-meter','rangeLpm':100,'class':1}"));
        assertThat(about(plan(read(coarse)), "FC1")).extracting(Step::kind).containsExactly(Step.Kind.CHECK);
        ObjectNode fine = withFlowScrew();
        fine.withArray("testGear").add(json("{'id':'PFM1','type':'flow-meter','rangeLpm':70,'class':1}"));
        assertThat(about(plan(read(fine)), "FC1"))
                .extracting(Step::kind)
                .containsExactly(Step.Kind.SET, Step.Kind.LOCK);
        // Behind a check, between two lines without a test point, cylinder or motor.
        fine.withArray("lines").add(json("{'id':'V','ratingBar':250,'volumeL':0.5}"));
        fine.withArray("components")
                .add(
                        json(
                                "{'id':'CVW','type':'check-valve','inlet':'P','outlet':'V','ratedFlowLpm':60,'ratedDropBar':3}"));
        part(fine, "components", "FC1").put("inlet", "V");
        assertThat(about(plan(read(fine)), "FC1")).extracting(Step::kind).containsExactly(Step.Kind.CHECK);
    }

    @Test
    void whatNothingShowsIsLeftAndSaid() {
        ObjectNode unit = withFlowScrew();
        unit.withArray("testGear")
                .add(json("{'id':'PLV1','type':'throttle','ratedFlowLpm':60,'ratedDropBar':20,'maxPressureBar':350}"));
        Plan plan = plan(read(unit));
        assertThat(about(plan, "FC1")).extracting(Step::kind).containsExactly(Step.Kind.CHECK);
    }

    /** The auditor finds what is broken in a plan that sets a flow, one way at a time. */
    @Test
    void aBrokenFlowIsCaught() {
        PowerUnit unit = read(withFlowScrew());
        List<Step> good = plan(unit).steps();
        Predicate<Step> flow = s -> s.setting().filter("FC1"::equals).isPresent();
        assertThat(points(unit, change(good, flow, s -> s.kind() == Step.Kind.LOCK ? null : s)))
                .contains(Violation.Point.SET_AND_LOCKED);
        assertThat(points(unit, change(good, flow, s -> null))).contains(Violation.Point.SET_AND_LOCKED);
        assertThat(points(unit, change(good, flow, s -> ChangedStep.expecting(s, RatesTest::higher))))
                .contains(Violation.Point.SAYS_WHAT_IT_DOES);
        assertThat(points(
                        unit,
                        change(
                                good,
                                flow,
                                s -> ChangedStep.standing(s, s.situation().withOpening("BVW", 0)))))
                .contains(Violation.Point.DECIDES);
        Predicate<Step> fits = s -> s.moves().stream().anyMatch(m -> m.kind() == Move.Kind.FIT);
        assertThat(points(unit, change(good, fits, s -> ChangedStep.moving(s, List.of()))))
                .contains(Violation.Point.SAYS_WHAT_IT_DOES);
        List<Step> early = new ArrayList<>(good);
        Step set = good.stream()
                .filter(flow.and(s -> s.kind() == Step.Kind.SET))
                .findFirst()
                .orElseThrow();
        early.remove(set);
        early.add(
                good.indexOf(good.stream()
                        .filter(s -> s.kind() == Step.Kind.SET)
                        .findFirst()
                        .orElseThrow()),
                set);
        assertThat(points(unit, early)).contains(Violation.Point.SET_AND_LOCKED);
    }

    private static Expect higher(Expect e) {
        return new Expect(e.instrument(), e.kind(), 1.3 * e.value(), 1.2 * e.low(), 1.4 * e.high());
    }

    private static List<Step> change(List<Step> steps, Predicate<Step> which, UnaryOperator<Step> how) {
        return steps.stream()
                .map(s -> which.test(s) ? how.apply(s) : s)
                .filter(Objects::nonNull)
                .toList();
    }

    private static List<Violation.Point> points(PowerUnit unit, List<Step> steps) {
        Plan broken = new Plan(
                School.AUTO,
                steps.get(0).why(),
                List.of(new Phase(Phase.Id.SET, steps, List.of())),
                List.of(),
                List.of());
        return Audit.of(Model.of(unit), broken).stream().map(Violation::point).toList();
    }
}
