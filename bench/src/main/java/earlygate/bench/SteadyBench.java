package earlygate.bench;

import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.unit.Situation;
import earlygate.unit.file.UnitFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Microseconds for one steady state of LG-07: from a cold guess, and a point of a warm sweep over its load. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class SteadyBench {
    private Solver solver;
    private Conditions conditions;
    private double opening;

    @Setup
    public void setUp() throws IOException {
        String text = Files.readString(Path.of("demo/units/LG-07.json"));
        Network network = new Network(((UnitFile.Reading.Read) UnitFile.read(text)).unit());
        solver = new Solver(network);
        conditions = network.conditions(Situation.AS_THE_FILE);
    }

    @Benchmark
    public Outcome cold() {
        return solver.steady(conditions);
    }

    @Benchmark
    public Outcome warmSweepPoint() {
        opening = opening >= 1 ? 0.01 : opening + 0.001;
        conditions.opening("TV1", opening);
        return solver.next(conditions);
    }
}
