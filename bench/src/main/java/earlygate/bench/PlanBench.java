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

/**
 * Milliseconds for a whole plan, all schools derived, audited and compared, of every demo unit and every unit of another
 * structure in the tests; and for a target sheet. Wanted: 300 ms for a demo unit, a second for any other.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class PlanBench {
    @Param({
        "demo/units/LG-07",
        "demo/units/FB-02",
        "demo/units/BP-11",
        "demo/units/NH-04",
        "demo/units/SW-03",
        "demo/units/WD-05",
        "demo/units/DR-09",
        "demo/units/PL-01",
        "core/src/test/resources/strangers/01-ball-valve-deadhead",
        "core/src/test/resources/strangers/04-dc-12v",
        "core/src/test/resources/strangers/05-crossport-needles",
        "core/src/test/resources/strangers/07-highlow-cylinder",
        "core/src/test/resources/strangers/10-accu-two-reliefs",
        "core/src/test/resources/strangers/12-accu-vented-relief",
        "core/src/test/resources/strangers/15-ls-needle",
        "core/src/test/resources/strangers/16-ls-four-sections",
        "core/src/test/resources/strangers/18-two-pumps-one-shaft",
        "core/src/test/resources/strangers/20-twin-limited",
        "core/src/test/resources/strangers/22-clamp-sequence",
        "core/src/test/resources/strangers/23-hoist-counterbalance"
    })
    private String file;

    private PowerUnit unit;

    @Setup
    public void setUp() throws IOException {
        String text = Files.readString(Path.of(file + ".json"));
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
