package earlygate.server.journal;

import earlygate.run.ModelCache;
import earlygate.run.RunEvent;
import earlygate.run.RunState;
import earlygate.server.api.Input;
import earlygate.server.journal.RunStore.RunHead;
import earlygate.server.units.UnitStore;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The runs that are in work, kept at hand: unit and plan, the log as far as it was read, and where it stands by that. */
@Component
public class OpenRuns {
    /**
     * @param unit with the targets that were derived when it was planned
     * @param sheet hash of the sheet as it was saved
     */
    public record OpenRun(RunHead head, PowerUnit unit, GapSchool gaps, ModelCache answers, String sheet) {}

    private record Folded(VerifiedLog log, RunState state) {}

    private static final int KEPT = 64;

    private final RunStore runs;
    private final UnitStore units;
    private final JsonMapper json;
    /** Those that were looked at last; the others are read again when somebody comes back to them. */
    private final Map<Long, OpenRun> open = lastUsed();

    private final Map<Long, Folded> folded = lastUsed();

    OpenRuns(RunStore runs, UnitStore units, JsonMapper json) {
        this.json = json;
        this.runs = runs;
        this.units = units;
    }

    private static <T> Map<Long, T> lastUsed() {
        return Collections.synchronizedMap(new LinkedHashMap<>(KEPT, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Long, T> eldest) {
                return size() > KEPT;
            }
        });
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
        JsonNode sheet = sheet(head);
        GapSchool gaps = Input.gaps(json.readTree(head.gapSchool()));
        PowerUnit unit = Derivation.completed(Input.unit(sheet), gaps);
        return new OpenRun(head, unit, gaps, new ModelCache(unit), SheetSeal.of(sheet));
    }

    /** The sheet as it was saved that the run was planned from; also of a unit that was changed or removed since. */
    public JsonNode sheet(RunHead head) {
        return json.readTree(units.revision(head.tag(), head.revision()).document());
    }

    /** As its log has it in the store at this moment. */
    public RunState state(long id) {
        OpenRun run = run(id);
        Folded before = folded.get(id);
        VerifiedLog log = runs.log(run.head(), before == null ? VerifiedLog.UNREAD : before.log());
        if (before != null && log == before.log()) {
            return before.state();
        }
        List<RunEvent> more = before == null ? List.of() : log.since(before.log());
        RunState state = more.isEmpty()
                ? RunState.of(
                        run.unit(), run.head().plan(), log.events(), run.head().practice(), run.answers())
                : before.state().with(more);
        folded.put(id, new Folded(log, state));
        return state;
    }
}
