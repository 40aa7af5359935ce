package earlygate.server.store;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import java.util.Set;
import org.h2.api.ErrorCode;
import org.h2.mvstore.MVStoreException;
import org.springframework.http.HttpStatus;

/** Tells a fault of the disk or of the data file from every other, and says it in words. */
final class Trouble {
    private static final Set<Integer> OF_THE_FILE = Set.of(
            ErrorCode.IO_EXCEPTION_1,
            ErrorCode.IO_EXCEPTION_2,
            ErrorCode.FILE_CORRUPTED_1,
            ErrorCode.DATABASE_IS_CLOSED,
            ErrorCode.DATABASE_IS_READ_ONLY,
            ErrorCode.DATABASE_CALLED_AT_SHUTDOWN,
            ErrorCode.DATABASE_ALREADY_OPEN_1,
            ErrorCode.CONNECTION_BROKEN_1,
            ErrorCode.OBJECT_CLOSED);

    private Trouble() {}

    /** Empty for what is no fault of disk or file. Only what disk and file say is read: other messages hold people's words. */
    static Optional<ApiProblem> of(Throwable e, Path folder) {
        boolean file = false;
        for (Throwable t = e; t != null; t = t.getCause() == t ? null : t.getCause()) {
            if (!ofTheFile(t)) {
                continue;
            }
            file = true;
            String said = String.valueOf(t.getMessage());
            if (said.contains("No space left") || said.contains("Disk quota")) {
                return Optional.of(told(HttpStatus.INSUFFICIENT_STORAGE, "store.no-room", folder));
            }
            if (said.contains("Read-only file system") || said.contains("read only")) {
                return Optional.of(told(HttpStatus.SERVICE_UNAVAILABLE, "store.cannot-write", folder));
            }
        }
        return file ? Optional.of(told(HttpStatus.SERVICE_UNAVAILABLE, "store.unavailable", folder)) : Optional.empty();
    }

    private static boolean ofTheFile(Throwable t) {
        return t instanceof MVStoreException
                || t instanceof IOException
                || t instanceof SQLTransientConnectionException
                || t instanceof SQLException s && OF_THE_FILE.contains(s.getErrorCode());
    }

    private static ApiProblem told(HttpStatus status, String code, Path folder) {
        return ApiProblem.of(status, "", Reason.of(code).name("folder", folder.toString()));
    }
}
