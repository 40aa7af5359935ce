package earlygate.server.migration;

import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;
import static earlygate.server.tables.Tables.RUN_TAIL;
import static earlygate.server.tables.Tables.UNIT;
import static earlygate.server.tables.Tables.UNIT_REVISION;

import earlygate.server.store.EventChain;
import earlygate.server.store.Sha256;
import earlygate.server.units.UnitHead;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Fills in what revisions and logs of earlier editions lack: heads for the lists, hashes, and the chain of each log. */
@Component
class V5__HeadsAndChains extends BaseJavaMigration {
    @Override
    public void migrate(Context context) {
        DSLContext db = DSL.using(context.getConnection(), SQLDialect.H2);
        revisions(db);
        db.select(RUN.ID).from(RUN).fetch(RUN.ID).forEach(id -> chain(db, id));
    }

    private static void revisions(DSLContext db) {
        var u = UNIT_REVISION;
        db.select(u.TAG, u.REVISION).from(u).orderBy(u.TAG, u.REVISION).fetch().forEach(key -> {
            var at = u.TAG.eq(key.value1()).and(u.REVISION.eq(key.value2()));
            String document = db.select(u.DOCUMENT).from(u).where(at).fetchSingle(u.DOCUMENT);
            UnitHead head = UnitHead.of(document);
            db.update(u)
                    .set(u.NAME, head.name())
                    .set(u.DRAWING, head.drawing())
                    .set(u.MISSING, head.missing())
                    .set(u.HASH, Sha256.of(document))
                    .where(at)
                    .execute();
        });
        db.insertInto(UNIT, UNIT.TAG, UNIT.NEWEST)
                .select(DSL.select(u.TAG, DSL.max(u.REVISION)).from(u).groupBy(u.TAG))
                .execute();
    }

    private static void chain(DSLContext db, long id) {
        var run = EventChain.head(db, id);
        EventChain chain = EventChain.from(run);
        db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(id))
                .orderBy(RUN_EVENT.SEQ)
                .fetch()
                .forEach(e -> {
                    e.setHash(chain.add(e.getAt().toInstant(), e.getByName(), e.getClientKey(), e.getBody()));
                    e.update(RUN_EVENT.HASH);
                });
        db.insertInto(RUN_TAIL, RUN_TAIL.RUN_ID, RUN_TAIL.START_HASH, RUN_TAIL.LAST_SEQ, RUN_TAIL.LAST_HASH)
                .values(id, EventChain.start(run), chain.seq(), chain.last())
                .execute();
    }
}
