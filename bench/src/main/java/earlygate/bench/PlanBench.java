package earlygate.bench;

import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.planner.Planner;
import earlygate.target.GapSchool;
import earlygate.target.TargetSheet;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
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

/** Milliseconds for a whole plan, all schools derived, proved and compared; and for a target sheet. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class PlanBench {
    @Param({"LG-07", "SW-03", "NH-04"})
    private String tag;

    private PowerUnit unit;

    @Setup
    public void setUp() throws IOException {
        String text = Files.readString(Path.of("demo/units/" + tag + ".json"));
        unit = ((UnitFile.Reading.Read) UnitFile.read(text)).unit();
    }

    @Benchmark
    public Plan plan() {
        return Planner.plan(unit, School.AUTO);
    }

    @Benchmark
    public TargetSheet targets() {
        return TargetSheet.of(unit, GapSchool.DEFAULT, Map.of());
    }
}
