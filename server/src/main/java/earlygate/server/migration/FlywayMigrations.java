package earlygate.server.migration;

import earlygate.server.store.DataFile;
import earlygate.server.store.Migrations;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.stereotype.Component;

/** The scripts and classes of this package's name under db/migration, each applied once and in order. */
@Component
class FlywayMigrations implements Migrations {
    private final JavaMigration[] written;

    FlywayMigrations(List<JavaMigration> written) {
        this.written = written.toArray(JavaMigration[]::new);
    }

    @Override
    public void apply(String url) {
        Flyway.configure()
                .dataSource(url, DataFile.USER, "")
                .javaMigrations(written)
                .load()
                .migrate();
    }
}
