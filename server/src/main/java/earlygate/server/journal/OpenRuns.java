package earlygate.server.journal;

import earlygate.run.Answers;
import earlygate.run.RunState;
import earlygate.server.api.Input;
import earlygate.server.journal.RunStore.RunHead;
import earlygate.server.units.UnitStore;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The part of a run that never changes, kept at hand: its unit and its plan. The log is always read from the store. */
@Component
public class OpenRuns {
    /**
     * @param unit with the targets that were derived when it was planned
     * @param sheet hash of the sheet as it was saved
     */
    public record OpenRun(RunHead head, PowerUnit unit, GapSchool gaps, Answers answers, String sheet) {}

    private static final int KEPT = 64;

    private final RunStore runs;
    private final UnitStore units;
    private final JsonMapper json;
    /** Those that were looked at last; the others are read again when somebody comes back to them. */
    private final Map<Long, OpenRun> open = Collections.synchronizedMap(new LinkedHashMap<>(KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, OpenRun> eldest) {
            return size() > KEPT;
        }
    });

    OpenRuns(RunStore runs, UnitStore units, JsonMapper json) {
        this.json = json;
        this.runs = runs;
        this.units = units;
    }

    public OpenRun run(long id) {
        OpenRun kept = open.get(id);
        if (kept == null) {
            kept = read(id);
            open.put(id, kept);
        }
        return kept;
    }

    private OpenRun read(long id) {
        RunHead head = runs.head(id);
        String document = units.revision(head.tag(), head.revision()).document();
        GapSchool gaps = Input.gaps(json.readTree(head.gapSchool()));
        PowerUnit unit = Derivation.completed(Input.unitText(document).unit(), gaps);
        return new OpenRun(head, unit, gaps, new Answers(unit), SheetSeal.of(json.readTree(document)));
    }

    public RunState state(long id) {
        OpenRun run = run(id);
        return RunState.of(
                run.unit(),
                run.head().plan(),
                runs.events(run.head()),
                run.head().practice(),
                run.answers());
    }
}
