package earlygate.server.store;

import earlygate.explain.Reason;
import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The disk under the data. Some of it is kept free: a write that fails half-way closes the data file. */
@Component
class Disk {
    private final long reserve;

    /** @param reserve bytes that must be free before anything is written */
    Disk(@Value("${early-gate.reserve}") long reserve) {
        this.reserve = reserve;
    }

    /** Empty where there is room to write; else how much is missing. */
    Optional<Reason> room(Path folder) {
        return room(folder, 0);
    }

    /** The same where so many bytes are to be written at once. */
    Optional<Reason> room(Path folder, long bytes) {
        long free = free(folder);
        return free >= reserve && free - reserve >= bytes
                ? Optional.empty()
                : Optional.of(Reason.of("store.full")
                        .name("folder", folder.toString())
                        .number("free", free / 1000)
                        .number("needed", reserve / 1000 + bytes / 1000));
    }

    /** Bytes; without end where the system doesn't say. */
    long free(Path folder) {
        File at = folder.toFile();
        return at.getTotalSpace() == 0 ? Long.MAX_VALUE : at.getUsableSpace();
    }
}
