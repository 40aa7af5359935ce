package earlygate.server.runs;

import earlygate.circuit.PowerUnit;
import earlygate.ladder.Derivation;
import earlygate.ladder.GapSchool;
import earlygate.run.Curves;
import earlygate.run.RunState;
import earlygate.server.calc.CalcInput;
import earlygate.server.runs.RunStore.RunHead;
import earlygate.server.units.UnitStore;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The part of a run that never changes, kept at hand: its unit and its plan. The log is always read from the store. */
@Component
public class OpenRuns {
    /** @param unit with the targets that were derived when it was planned */
    public record OpenRun(RunHead head, PowerUnit unit, GapSchool gaps, Curves curves) {}

    private final RunStore runs;
    private final UnitStore units;
    private final JsonMapper json;
    private final Map<Long, OpenRun> open = new ConcurrentHashMap<>();

    OpenRuns(RunStore runs, UnitStore units, JsonMapper json) {
        this.json = json;
        this.runs = runs;
        this.units = units;
    }

    public OpenRun run(long id) {
        return open.computeIfAbsent(id, key -> {
            RunHead head = runs.head(key);
            String document = units.revision(head.tag(), head.revision()).document();
            GapSchool gaps = CalcInput.gaps(json.readTree(head.gapSchool()));
            PowerUnit unit = Derivation.completed(CalcInput.unitText(document).unit(), gaps);
            return new OpenRun(head, unit, gaps, new Curves(unit));
        });
    }

    public RunState state(long id) {
        OpenRun run = run(id);
        return RunState.of(
                run.unit(),
                run.head().plan(),
                runs.events(run.head()),
                run.head().practice(),
                run.curves());
    }
}
