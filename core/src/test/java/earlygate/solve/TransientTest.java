package earlygate.solve;

import static earlygate.fixture.Units.circuit;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.network.ComponentState;
import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.PumpState;
import earlygate.network.ComponentState.ValveState;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.unit.Accumulator;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The model in time: closed forms of filling, cycling and warming; its end is the steady solver's answer. */
class TransientTest {
    private static final double STEP = 1e-3;

    /** Charging, unloaded, falling, charging again: cut-out at the setting, cut-in a differential below. */
    @Test
    void accumulatorCyclesBetweenCutOutAndCutIn() {
        PowerUnit unit = read(circuit("AC"));
        Network network = new Network(unit);
        Transient machine = new Transient(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        double highest = 0;
        double lowest = Double.POSITIVE_INFINITY;
        boolean unloaded = false;
        int cycles = 0;
        for (int i = 0; i < 400_000 && cycles < 3; i++) {
            machine.advance(c, STEP);
            double p = machine.pressure("A");
            boolean low = machine.pressure("P") < 20 * BAR && p > 100 * BAR;
            if (low && !unloaded) {
                highest = Math.max(highest, p);
            } else if (!low && unloaded) {
                lowest = Math.min(lowest, p);
                cycles++;
            }
            unloaded = low;
        }
        assertThat(cycles).isEqualTo(3);
        assertThat(highest / BAR).isCloseTo(140, within(1.0));
        assertThat(lowest / BAR).isCloseTo(140 * 0.85, within(1.0));
    }

    /** Oil in, out and stored, over a charge: the pump's oil is in the accumulator, the lines, or has leaked. */
    @ParameterizedTest
    @ValueSource(doubles = {1e-3, 5e-3})
    void massIsConserved(double step) {
        PowerUnit unit = read(circuit("AC"));
        Accumulator acc = unit.all(Accumulator.class).get(0);
        Network network = new Network(unit);
        Transient machine = new Transient(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        double in = 0;
        double out = 0;
        for (double t = 0; t < 8; t += step) {
            machine.advance(c, step);
            Map<String, ComponentState> now = machine.components(c);
            in += step * ((PumpState) now.get("P1")).flow();
            for (String drain : List.of("UV1", "RV1", "LK1", "TV1")) {
                out += step * ((ValveState) now.get(drain)).flow();
            }
        }
        double p = machine.pressure("A");
        double stored = acc.volume() * (1 - Math.pow(acc.prechargePa() / p, 1 / acc.polytropic()))
                + (0.5e-3 * machine.pressure("P") + 1e-3 * p) / unit.fluid().bulkModulus();
        assertThat(in - out).isCloseTo(stored, within(1e-3 * in));
        assertThat(p).isGreaterThan(acc.prechargePa());
    }

    @ParameterizedTest
    @ValueSource(strings = {"LS", "BR", "DC"})
    void endsWhereTheSteadySolverIs(String name) {
        PowerUnit unit = read(circuit(name));
        Network network = new Network(unit);
        Transient machine = new Transient(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        for (int i = 0; i < 3000; i++) {
            machine.advance(c, STEP);
        }
        for (int i = 0; i < 200; i++) {
            machine.advance(c, 1);
        }
        SteadyState steady =
                ((Outcome.Converged) new Solver(network).steady(network.conditions(Situation.AS_THE_FILE))).state();
        steady.pressures()
                .forEach((line, pa) ->
                        assertThat(machine.pressure(line)).as(line).isCloseTo(pa, within(Math.max(1e-3 * pa, 2e3))));
    }

    @Test
    void deadheadingRisesAsTheOilIsSqueezed() {
        PowerUnit unit = lg07();
        Network network = new Network(unit);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        Transient machine = new Transient(network);
        machine.advance(c, 1e-4);
        double flow = ((PumpState) machine.components(c).get("P1")).flow();
        double rise = flow / (1.5e-3 / unit.fluid().bulkModulus());
        assertThat(machine.pressure("P") / 1e-4).isCloseTo(rise, within(0.02 * rise));
    }

    /** Shut the load in one step: the stroke falls, the pressure comes to rest, and neither swings on the way. */
    @ParameterizedTest
    @ValueSource(doubles = {0.05e-3, 1e-3, 10e-3})
    void compensatorFollowsWithALagAndDoesNotSwing(double step) {
        Network network = new Network(lg07());
        Conditions c = network.conditions(Situation.AS_THE_FILE.withOpening("TV1", 0.5));
        Transient machine = new Transient(network);
        for (int i = 0; i < 1000; i++) {
            machine.advance(c, 1e-3);
        }
        double free = machine.pressure("P");
        c.opening("TV1", 0);
        int turns = 0;
        double before = free;
        double rise = 0;
        double after2ms = 0;
        for (double t = 0; t < 0.5; t += step) {
            machine.advance(c, step);
            double p = machine.pressure("P");
            if ((p - before) * rise < 0 && Math.abs(p - before) > 0.1 * BAR) {
                turns++;
            }
            rise = p - before;
            before = p;
            after2ms = t < 2e-3 ? stroke(machine, c) : after2ms;
        }
        assertThat(free / BAR).isLessThan(100);
        assertThat(turns).as("at most one overshoot").isLessThanOrEqualTo(1);
        assertThat(after2ms).as("a stroke takes its time").isGreaterThan(0.2);
        assertThat(stroke(machine, c)).isLessThan(0.06);
        assertThat(before / BAR).isCloseTo(145, within(1.0));
    }

    private static double stroke(Transient machine, Conditions c) {
        return ((PumpState) machine.components(c).get("P1")).stroke();
    }

    /** All shaft power of a pump over a throttle warms the tank: P t / (rho c V). */
    @Test
    void oilWarmsByTheHeatOfTheWork() {
        PowerUnit unit = lg07();
        List<Recording.Sample> samples = Recording.of(
                        Model.of(unit), Situation.AS_THE_FILE.withOpening("TV1", 0.7), 60, 0.01, List.of(), 100)
                .samples();
        double warmed = samples.get(samples.size() - 1).oil() - samples.get(0).oil();
        double watts = samples.stream()
                .mapToDouble(s -> ((DriverState) s.components().get("M1")).power())
                .average()
                .orElseThrow();
        assertThat(warmed).isCloseTo(watts * 60 / (870 * 1900 * 0.120), within(0.02));
        assertThat(warmed).isGreaterThan(1);
    }

    /** Blocked actuators do no work. */
    @Test
    void withNothingMovingAllShaftPowerIsHeat() {
        PowerUnit unit = read(circuit("BR"));
        Network network = new Network(unit);
        Transient machine = new Transient(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        for (int i = 0; i < 3000; i++) {
            machine.advance(c, 1e-3);
        }
        double shaft = machine.components(c).values().stream()
                .filter(ComponentState.DriverState.class::isInstance)
                .mapToDouble(d -> ((ComponentState.DriverState) d).power())
                .sum();
        assertThat(machine.heat()).as("blocked: all of it is heat").isCloseTo(shaft, within(0.01 * shaft));
    }

    /** The inner loop makes no garbage: what ten thousand steps allocate is less than a byte each. */
    @ParameterizedTest
    @ValueSource(strings = {"LS", "AC", "BR", "DC"})
    void stepsAllocateNothing(String name) {
        Network network = new Network(read(circuit(name)));
        Transient machine = new Transient(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        var threads = (com.sun.management.ThreadMXBean) java.lang.management.ManagementFactory.getThreadMXBean();
        long before = 0;
        for (int i = 0; i < 20_000; i++) {
            if (i == 10_000) {
                before = threads.getCurrentThreadAllocatedBytes();
            }
            machine.advance(c, 1e-3);
        }
        assertThat(threads.getCurrentThreadAllocatedBytes() - before).isLessThan(10_000);
    }
}
