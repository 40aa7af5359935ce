package earlygate.bench;

import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.Transient;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.file.UnitFile;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * How cost grows with lines: a compensated pump feeding a chain of orifices with a relief at every fifth line and a
 * leak at each. Steady from a cold guess, and one step of 1 ms in time.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class NetworkBench {
    @Param({"1", "5", "10", "20", "40"})
    private int lines;

    private Solver solver;
    private Conditions conditions;
    private Transient machine;
    private double opening;

    @Setup
    public void setUp() {
        Network network = new Network(chain(lines));
        solver = new Solver(network);
        machine = new Transient(network);
        conditions = network.conditions(Situation.AS_THE_FILE);
        conditions.opening("TV1", 0.3);
    }

    private static PowerUnit chain(int lines) {
        StringBuilder lineText = new StringBuilder();
        StringBuilder parts = new StringBuilder();
        for (int i = 0; i < lines; i++) {
            lineText.append(i == 0 ? "" : ",").append("{\"id\":\"L%d\",\"ratingBar\":250}".formatted(i));
            parts.append(",{\"id\":\"LK%d\",\"type\":\"leak\",\"a\":\"L%d\",\"b\":\"T\",\"flowLpm\":0.1,\"atBar\":100}"
                    .formatted(i, i));
            if (i > 0) {
                parts.append((",{\"id\":\"OR%d\",\"type\":\"orifice\",\"a\":\"L%d\",\"b\":\"L%d\","
                                + "\"ratedFlowLpm\":90,\"ratedDropBar\":1}")
                        .formatted(i, i - 1, i));
            }
            if (i % 5 == 0) {
                parts.append((",{\"id\":\"RV%d\",\"type\":\"relief-valve\",\"acting\":\"pilot\",\"inlet\":\"L%d\","
                                + "\"outlet\":\"T\",\"settingBar\":176,\"overrideBar\":6,\"ratedFlowLpm\":100}")
                        .formatted(i, i));
            }
        }
        String file = """
                {"format":"early-gate/unit/1","tag":"CHAIN","name":"chain","fluid":{"viscosity40":46,"tankL":100},
                "lines":[%s],"components":[
                {"id":"M1","type":"electric-motor","ratedPowerKw":18.5,"syncSpeedRpm":1500,"ratedSpeedRpm":1465,"ratedCurrentA":34},
                {"id":"P1","type":"pump","driver":"M1","inlet":"T","outlet":"L0","displacementCm3":40,"ratedPressureBar":250,
                 "volumetricEfficiency":0.94,"compensator":{"settingBar":160}},
                {"id":"TV1","type":"throttle","a":"L%d","b":"T","ratedFlowLpm":60,"ratedDropBar":20}%s]}
                """.formatted(lineText, lines - 1, parts);
        return ((UnitFile.Reading.Read) UnitFile.read(file)).unit();
    }

    @Benchmark
    public Outcome steadyCold() {
        return solver.steady(conditions);
    }

    /** The load moves at every step, so that each has something to solve. */
    @Benchmark
    public double transientStep() {
        opening = opening >= 1 ? 0.1 : opening + 0.001;
        conditions.opening("TV1", opening);
        machine.advance(conditions, 1e-3);
        return machine.pressure("L0");
    }
}
