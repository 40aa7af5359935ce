package earlygate.server.migration;

import earlygate.server.store.Migrations;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.migration.JavaMigration;

/** The server's own migrations, without the server. */
public final class AllMigrations {
    private static final List<JavaMigration> WRITTEN = List.of(new V5__HeadsAndChains(), new V10__HashedRows());

    private AllMigrations() {}

    public static Migrations all() {
        return new FlywayMigrations(WRITTEN);
    }

    /** As an earlier edition left its data. */
    public static Migrations upTo(int version) {
        return url -> Flyway.configure()
                .dataSource(url, "sa", "")
                .javaMigrations(WRITTEN.toArray(JavaMigration[]::new))
                .target(Integer.toString(version))
                .load()
                .migrate();
    }
}
