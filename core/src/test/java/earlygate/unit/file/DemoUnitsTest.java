package earlygate.unit.file;

import static earlygate.fixture.Units.demo;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.network.ComponentState.DriverState;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.solve.Transient;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import earlygate.unit.Screw;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The eight units of the canal works are physically sound: what the schematic asks for, the machine can do. */
class DemoUnitsTest {
    @ParameterizedTest
    @CsvSource({
        "LG-07, P, P1.compensator",
        "FB-02, P, RV1",
        "BP-11, H, RV1",
        "NH-04, P, P1.loadSense",
        "SW-03, P, P1.compensator",
        "WD-05, P, P1.compensator",
        "DR-09, P, P1.compensator",
        "PL-01, A, RV1"
    })
    void deadheadedAtItsTargetsTheLastLimiterHasTheGauge(String tag, String line, String limiter) {
        PowerUnit unit = demo(tag);
        Situation asSet = unit.targets().stream()
                .reduce(Situation.AS_THE_FILE, (s, t) -> s.withSetting(t.setting(), t.pressurePa()), (a, b) -> b);
        Network network = new Network(unit);
        if (tag.equals("FB-02")) {
            asSet = asSet.withSetting("UV1", 200 * BAR);
        }
        SteadyState state = ((Outcome.Converged) new Solver(network).steady(network.conditions(asSet))).state();
        assertThat(state.limiterOf(line)).contains(limiter);
        unit.lines()
                .forEach(l -> assertThat(state.pressure(l.id()))
                        .as(l.id())
                        .isLessThanOrEqualTo(unit.weakest(l.id()).pressurePa()));
        unit.all(Driver.class)
                .forEach(d -> assertThat(((DriverState) state.components().get(d.id())).load())
                        .as(d.id())
                        .isLessThan(d.serviceFactor()));
        unit.targets().forEach(t -> {
            Screw screw = unit.setting(t.setting()).screw();
            assertThat(t.pressurePa()).as(t.setting()).isBetween(screw.minPa(), screw.maxPa());
        });
    }

    /** Every piece of work on the sheet can be done: the pump gives its flow at its pressure. */
    @ParameterizedTest
    @CsvSource({"LG-07", "FB-02", "BP-11", "NH-04", "SW-03", "WD-05", "DR-09", "PL-01"})
    void runsAsFoundForASecondWithoutLosingItsBalance(String tag) {
        PowerUnit unit = demo(tag);
        Network network = new Network(unit);
        Transient machine = new Transient(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        unit.all(Throttle.class).forEach(t -> c.opening(t.id(), 0.3));
        for (int i = 0; i < 1000; i++) {
            machine.advance(c, 1e-3);
        }
        machine.pressures().forEach((line, pa) -> assertThat(pa).as(line).isBetween(-BAR, 400 * BAR));
        assertThat(unit.work()).isNotEmpty();
    }
}
