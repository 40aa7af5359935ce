package earlygate.server.store;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The data folder, looked over before it is opened and sealed after it was closed. */
@Configuration
class Store {
    /** Connections to the data file; when the last is closed, the file is closed and sealed. */
    static final class Pool extends HikariDataSource {
        private final DataFolder data;
        private volatile boolean trusted;

        private Pool(DataFolder data) {
            this.data = data;
            setJdbcUrl(data.url());
            setUsername(DataFile.USER);
            setPassword("");
            setConnectionTimeout(5_000);
            setInitializationFailTimeout(-1);
        }

        private void open() throws SQLException {
            try (Connection first = getConnection()) {
                data.seal().breakOpen();
                data.tidy();
                trusted = true;
            }
        }

        /** A write failed half-way: the next start looks the data over; every connection is made anew. */
        void distrust() {
            trusted = false;
            if (getHikariPoolMXBean() != null) {
                getHikariPoolMXBean().softEvictConnections();
            }
        }

        @Override
        public void close() {
            super.close();
            if (trusted) {
                trusted = false;
                data.close();
            }
        }
    }

    @Bean
    DataFolder dataFolder(@Value("${early-gate.data}") String folder, Disk disk, Migrations migrations) {
        return DataFolder.opened(Path.of(folder), disk, migrations);
    }

    @Bean
    Pool dataSource(DataFolder data) {
        Pool pool = new Pool(data);
        try {
            pool.open();
            return pool;
        } catch (SQLException e) {
            pool.close();
            throw data.unreadable(root(e));
        }
    }

    private static SQLException root(SQLException e) {
        SQLException root = e;
        while (root.getCause() instanceof SQLException cause) {
            root = cause;
        }
        return root;
    }
}
