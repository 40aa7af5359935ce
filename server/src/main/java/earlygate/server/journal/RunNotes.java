package earlygate.server.journal;

import static earlygate.server.tables.Tables.RUN_EVENT;

import earlygate.run.RunEvent.Noted;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
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
        return db
                .select(RUN_EVENT.SEQ, RUN_EVENT.BODY)
                .from(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId), RUN_EVENT.BODY.contains("\"" + label + "\""))
                .orderBy(RUN_EVENT.SEQ.desc())
                .fetch()
                .stream()
                .map(r -> text.read(runId, r.value1(), r.value2()))
                .filter(body -> body instanceof Noted n && n.note().equals(label))
                .map(body -> ((Noted) body).text())
                .findFirst();
    }
}
