package earlygate.server.journal;

import static earlygate.server.tables.Tables.RUN_EVENT;

import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.Struck;
import earlygate.server.words.ApiProblem;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** What was written down in runs that are over, found without folding their logs. */
@Component
public class RunNotes {
    private final DSLContext db;
    private final EventText text;

    RunNotes(DSLContext db, JsonMapper json) {
        this.db = db;
        text = new EventText(json);
    }

    /**
     * What was last written down in a run under a label; empty where nothing was.
     *
     * @param label code of the label, as {@code note.next-check}
     */
    public Optional<String> last(long runId, String label) {
        try {
            return read(runId, label);
        } catch (ApiProblem | JacksonException later) {
            // Of a log that a later edition wrote nothing is told here; whoever opens it is told why.
            return Optional.empty();
        }
    }

    private Optional<String> read(long runId, String label) {
        Map<Long, String> noted = new TreeMap<>(Comparator.reverseOrder());
        Set<Long> slips = new HashSet<>();
        db.select(RUN_EVENT.SEQ, RUN_EVENT.BODY)
                .from(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId))
                .and(RUN_EVENT.BODY.contains(quoted(label)).or(RUN_EVENT.BODY.contains(quoted("struck"))))
                .forEach(r -> {
                    RunEvent.Body body = text.read(runId, r.value1(), r.value2());
                    if (body instanceof Noted n && n.note().equals(label)) {
                        noted.put(r.value1(), n.text());
                    } else if (body instanceof Struck s) {
                        slips.add(s.wrong());
                    }
                });
        noted.keySet().removeAll(slips);
        return noted.values().stream().findFirst();
    }

    private static String quoted(String text) {
        return '"' + text + '"';
    }
}
