package earlygate.server.store;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import java.nio.file.Path;
import java.sql.SQLException;
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

    static ApiProblem full(Path folder, long freeBytes, long neededBytes) {
        return ApiProblem.of(
                HttpStatus.INSUFFICIENT_STORAGE,
                "",
                Reason.of("store.full")
                        .name("folder", folder.toString())
                        .number("free", freeBytes / 1000)
                        .number("needed", neededBytes / 1000));
    }

    /** Empty for what is no fault of disk or file. */
    static Optional<ApiProblem> of(Throwable e, Path folder) {
        boolean file = false;
        for (Throwable t = e; t != null; t = t.getCause() == t ? null : t.getCause()) {
            String said = String.valueOf(t.getMessage());
            if (said.contains("No space left") || said.contains("Disk quota")) {
                return Optional.of(ApiProblem.of(
                        HttpStatus.INSUFFICIENT_STORAGE,
                        "",
                        Reason.of("store.no-room").name("folder", folder.toString())));
            }
            if (said.contains("Read-only file system") || said.contains("read only")) {
                return Optional.of(ApiProblem.of(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "",
                        Reason.of("store.cannot-write").name("folder", folder.toString())));
            }
            file |= t instanceof MVStoreException
                    || t instanceof SQLException s && OF_THE_FILE.contains(s.getErrorCode())
                    || t instanceof java.sql.SQLTransientConnectionException;
        }
        return file
                ? Optional.of(ApiProblem.of(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "",
                        Reason.of("store.unavailable").name("folder", folder.toString())))
                : Optional.empty();
    }
}
