package earlygate.unit.file;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static earlygate.fixture.Units.without;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.network.ComponentState.ValveState;
import earlygate.quantity.Si;
import earlygate.solve.Model;
import earlygate.solve.Outcome;
import earlygate.solve.SteadyState;
import earlygate.unit.Gear;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What is no pressure: meters, flow and power targets, their screws, and the gear that is fitted for the job. */
class FlowsAndGearTest {
    private static ObjectNode lockGate(Consumer<ObjectNode> change) {
        ObjectNode unit = document("LG-07");
        change.accept(unit);
        return unit;
    }

    private static ObjectNode json(String text) {
        return (ObjectNode) JsonMapper.shared().readTree(text.replace('\'', '"'));
    }

    private static void flows(ObjectNode unit) {
        unit.withArray("testPoints")
                .add(json("{'id':'FM1','component':'TV1','rangeLpm':120,'class':1,'reads':'L/min'}"))
                .add(json("{'id':'CM1','driver':'M1','rangeA':200,'class':1.5,'reads':'A'}"));
        unit.withArray("testGear")
                .add(json("{'id':'PLV1','type':'throttle','ratedFlowLpm':60,'ratedDropBar':20,'maxPressureBar':350}"))
                .add(json("{'id':'PFM1','type':'flow-meter','rangeLpm':150,'class':1}"));
        part(unit, "components", "P1").set("maxFlow", json("{'rangeLpm':[10,70],'lpmPerTurn':10}"));
        unit.withArray("targets").add(json("{'setting':'P1.maxFlow','flowLpm':40,'toleranceLpm':1}"));
    }

    private static SteadyState solve(PowerUnit unit, Situation s) {
        return ((Outcome.Converged) Model.of(unit).outcome(s)).state();
    }

    @Test
    void areReadBesideThePressures() {
        PowerUnit unit = read(lockGate(FlowsAndGearTest::flows));
        assertThat(unit.testPoints()).extracting(t -> t.id()).containsExactly("G1");
        assertThat(unit.meters()).extracting(Meter::kind).containsExactly(Meter.Kind.FLOW, Meter.Kind.CURRENT);
        assertThat(unit.rateTargets().get(0).value() / Si.LPM).isCloseTo(40, within(1e-9));
        assertThat(unit.testGear()).extracting(Gear::id).containsExactly("PLV1", "PFM1");
        assertThat(unit.setting("P1.maxFlow").isPressure()).isFalse();
    }

    /** One portable load valve of 20 bar at the unit's full flow, rated as its highest line, and one flow meter of class 1. */
    @Test
    void aWorkshopHasGearAtHandWhereTheFileSaysNothing() {
        PowerUnit unit = demo("LG-07");
        Gear.LoadValve valve = (Gear.LoadValve) unit.testGear().get(0);
        double full = unit.all(earlygate.unit.Pump.class).get(0).displacement()
                * unit.all(earlygate.unit.Driver.class).get(0).ratedSpeed();
        assertThat(valve.ratedFlow()).isCloseTo(full, within(1e-9));
        assertThat(valve.ratedDrop()).isEqualTo(20e5);
        assertThat(valve.maxPressure())
                .isEqualTo(unit.lines().stream()
                        .mapToDouble(l -> l.ratingPa())
                        .max()
                        .orElseThrow());
        assertThat(((Gear.FlowMeter) unit.testGear().get(1)).accuracyClass()).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource(
            value = {
                "testPoints; {'id':'FM1','component':'XX','rangeLpm':120,'class':1}; component",
                "testPoints; {'id':'FM1','component':'TV1','class':1}; rangeLpm",
                "testPoints; {'id':'FM1','line':'P','component':'TV1','rangeLpm':9,'class':1}; line",
                "testPoints; {'id':'CM1','driver':'P1','rangeA':20,'class':1}; driver",
                "targets; {'setting':'RV9','flowLpm':4}; setting",
                "targets; {'setting':'RV1'}; targets",
                "testGear; {'id':'PLV1','type':'throttle'}; ratedFlowLpm",
                "testGear; {'id':'RV1','type':'flow-meter','rangeLpm':9}; id",
            },
            delimiter = ';')
    void whatDoesNotFitIsRefusedByItsPlace(String list, String entry, String place) {
        ObjectNode unit = lockGate(u -> u.withArray(list).add(json(entry)));
        UnitFile.Reading reading = UnitFile.read(unit.toString());
        assertThat(reading).isInstanceOf(UnitFile.Reading.Refused.class);
        assertThat(((UnitFile.Reading.Refused) reading).problems())
                .anySatisfy(p -> assertThat(p.path() + " " + p.reason()).contains(place));
    }

    /** A portable valve on a line does what a valve of the unit of the same size does there, shut and open. */
    @ParameterizedTest
    @CsvSource({"0", "0.05", "0.3", "1"})
    void aFittedValveIsAValve(double opening) {
        PowerUnit unit = read(lockGate(FlowsAndGearTest::flows));
        PowerUnit bare = read(lockGate(u -> {
            u.withArray("testGear").add(json("{'id':'PLV1','type':'throttle','ratedFlowLpm':60,'ratedDropBar':20}"));
            without("components", "TV1").accept(u);
        }));
        SteadyState own = solve(unit, Situation.AS_THE_FILE.withOpening("TV1", opening));
        SteadyState fitted =
                solve(bare, Situation.AS_THE_FILE.withGear("PLV1", new Situation.Between("P", "T", opening)));
        assertThat(fitted.pressure("P")).isCloseTo(own.pressure("P"), within(10.0));
        assertThat(((ValveState) fitted.components().get("PLV1")).flow())
                .isCloseTo(own.valve("TV1").flow(), within(1e-9));
        assertThat(solve(bare, Situation.AS_THE_FILE).components()).doesNotContainKey("PLV1");
    }

    /** q = n D x: the stop at 40 L/min at rated speed is a stroke of 40 / (n D); leakage at some bar is small beside it. */
    @Test
    void theFullStrokeStopIsAFlow() {
        PowerUnit unit = read(lockGate(FlowsAndGearTest::flows));
        Situation open = Situation.AS_THE_FILE.withOpening("TV1", 1);
        double full = solve(unit, open).pump("P1").stroke();
        assertThat(full).isEqualTo(1);
        SteadyState stopped = solve(unit, open.withSetting("P1.maxFlow", 40 * Si.LPM));
        double rated = unit.all(earlygate.unit.Pump.class).get(0).displacement()
                * unit.all(earlygate.unit.Driver.class).get(0).ratedSpeed();
        assertThat(stopped.pump("P1").stroke()).isCloseTo(40 * Si.LPM / rated, within(1e-6));
        assertThat(stopped.pump("P1").inControl()).isEmpty();
    }

    /** Written and read again a situation is the same, with its gear and with actuators that are all free. */
    @Test
    void situationsKeepTheirGear() {
        PowerUnit unit = read(lockGate(FlowsAndGearTest::flows));
        Situation s = Situation.AS_THE_FILE
                .withGear("PLV1", new Situation.Between("P", "T", 0.3))
                .withBlocked(java.util.Set.of());
        List<Problem> problems = new ArrayList<>();
        assertThat(SituationFile.read(unit, SituationWriter.write(unit, s), problems))
                .isEqualTo(s);
        assertThat(problems).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            value = {
                "{'gear':{'PLV9':{'a':'P'}}}; situation.gear.PLV9",
                "{'gear':{'PLV1':{'a':'Z'}}}; situation.gear.PLV1.a",
                "{'gear':{'PLV1':{'a':'P','opening':2}}}; situation.gear.PLV1.opening",
                "{'gear':{'PLV1':{'a':'P','open':1}}}; situation.gear.PLV1.open",
                "{'gear':{'PFM1':{'component':'Z'}}}; situation.gear.PFM1.component",
                "{'gear':5}; situation.gear",
            },
            delimiter = ';')
    void gearThatIsNotThereIsRefused(String situation, String path) {
        PowerUnit unit = read(lockGate(FlowsAndGearTest::flows));
        List<Problem> problems = new ArrayList<>();
        SituationFile.read(unit, json(situation), problems);
        assertThat(problems).extracting(Problem::path).contains(path);
    }
}
