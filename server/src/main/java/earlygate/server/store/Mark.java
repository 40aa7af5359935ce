package earlygate.server.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Locale;
import java.util.OptionalLong;

/**
 * How many writes were confirmed to somebody, beside the data file. The file counts its own; one that was cut short opens
 * without complaint at an older state, and only this count knows better. Never ahead of the file: it is written after.
 */
final class Mark {
    private final Path path;
    private FileChannel channel;

    Mark(Path path) {
        this.path = path;
    }

    boolean isThere() {
        return Files.exists(path);
    }

    /** Empty where it is not there or says no count. */
    OptionalLong confirmed() {
        try {
            long count = isThere() ? Long.parseLong(Files.readString(path).strip()) : -1;
            return count < 0 ? OptionalLong.empty() : OptionalLong.of(count);
        } catch (IOException | NumberFormatException e) {
            return OptionalLong.empty();
        }
    }

    /** Always as long, so that it is overwritten in place. Not forced to the device: an older count is a safe one. */
    void confirm(long writes) {
        try {
            if (channel == null) {
                channel = FileChannel.open(path, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            }
            byte[] text = String.format(Locale.ROOT, "%019d%n", writes).getBytes(StandardCharsets.US_ASCII);
            channel.write(ByteBuffer.wrap(text), 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** In the place of one that says no count, however long it is. */
    void begin(long writes) {
        try {
            Files.deleteIfExists(path);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        confirm(writes);
    }
}
