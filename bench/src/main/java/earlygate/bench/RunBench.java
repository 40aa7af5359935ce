package earlygate.bench;

import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.planner.Planner;
import earlygate.run.ModelCache;
import earlygate.run.RunEvent;
import earlygate.run.RunState;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
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

/** Microseconds for one more reading in a run of NH-04, and what is missing then, after few events and after many. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class RunBench {
    @Param({"20", "2000"})
    public int events;

    private RunState run;
    private Step step;
    private String gauge;

    @Setup
    public void setUp() throws IOException {
        String text = Files.readString(Path.of("demo/units/NH-04.json"));
        PowerUnit unit = ((UnitFile.Reading.Read) UnitFile.read(text)).unit();
        Plan plan = Planner.plan(unit, School.AUTO);
        step = plan.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET && s.measured().isPresent())
                .findFirst()
                .orElseThrow();
        gauge = step.measured().orElseThrow().testPoint();
        List<RunEvent> log = new ArrayList<>();
        for (int i = 1; i <= events; i++) {
            log.add(reading(i));
        }
        run = RunState.of(unit, plan, log, false, new ModelCache(unit));
    }

    @Benchmark
    public int oneMoreReading() {
        RunState next = run.with(List.of(reading(events + 1)));
        return next.assess(next.step(step.id()).orElseThrow()).missing().size();
    }

    private RunEvent reading(int seq) {
        double pa = step.measured().orElseThrow().targetPa() + 1e4 * (seq % 7);
        return new RunEvent(
                seq,
                Instant.EPOCH.plusSeconds(20L * seq),
                "Ada Marsh",
                new RunEvent.Reading(step.id(), gauge, pa, RunEvent.Source.TYPED, OptionalDouble.empty(), true));
    }
}
