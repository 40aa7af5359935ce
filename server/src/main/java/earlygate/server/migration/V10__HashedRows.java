package earlygate.server.migration;

import earlygate.server.store.HashedRows;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Hashes what earlier editions wrote without: from here on it can't be changed unseen. */
@Component
class V10__HashedRows extends BaseJavaMigration {
    @Override
    public void migrate(Context context) {
        DSLContext db = DSL.using(context.getConnection(), SQLDialect.H2);
        HashedRows.TABLES.forEach(table -> HashedRows.begin(db, table));
    }
}
