package earlygate.server.journal;

import static earlygate.server.tables.Tables.RIG_STANDING;

import earlygate.rig.Standing;
import earlygate.server.store.Writes;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Where the practice machine of each run stands, so that it goes on from there. */
@Repository
public class RigStandings {
    private final DSLContext db;
    private final Writes writes;
    private final JsonMapper json;

    RigStandings(DSLContext db, Writes writes, JsonMapper json) {
        this.db = db;
        this.writes = writes;
        this.json = json;
    }

    public Optional<Standing> of(long runId) {
        return db.select(RIG_STANDING.STANDING)
                .from(RIG_STANDING)
                .where(RIG_STANDING.RUN_ID.eq(runId))
                .fetchOptional(RIG_STANDING.STANDING)
                .map(text -> json.readValue(text, Standing.class));
    }

    public void keep(long runId, Standing standing) {
        String text = json.writeValueAsString(standing);
        writes.write(() -> {
            db.mergeInto(RIG_STANDING)
                    .using(DSL.selectOne())
                    .on(RIG_STANDING.RUN_ID.eq(runId))
                    .whenMatchedThenUpdate()
                    .set(RIG_STANDING.STANDING, text)
                    .whenNotMatchedThenInsert(RIG_STANDING.RUN_ID, RIG_STANDING.STANDING)
                    .values(runId, text)
                    .execute();
        });
    }
}
