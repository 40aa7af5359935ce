package earlygate.bench;

import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.solve.Transient;
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

/** Milliseconds for one second of NH-04, the demo unit with most lines, at 1 ms steps, its load moving all the time. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class RigBench {
    private Transient machine;
    private Conditions conditions;

    @Setup
    public void setUp() throws IOException {
        String text = Files.readString(Path.of("demo/units/NH-04.json"));
        Network network = new Network(((UnitFile.Reading.Read) UnitFile.read(text)).unit());
        machine = new Transient(network);
        conditions = network.conditions(Situation.AS_THE_FILE);
        conditions.position("S1", "a");
    }

    @Benchmark
    public double aSecond() {
        for (int i = 0; i < 1000; i++) {
            conditions.opening("TV1", 0.5 + 0.4 * Math.sin(i / 160.0));
            machine.advance(conditions, 1e-3);
        }
        return machine.pressure("P");
    }
}
