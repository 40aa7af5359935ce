package earlygate;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A class that is longer holds more than one idea. */
class SizesTest {
    private static final int MOST = 300;

    private static Stream<Path> sources(String module) {
        try (Stream<Path> files = Files.walk(Path.of("..", module, "src"))) {
            return files.filter(f -> f.toString().endsWith(".java")).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long lines(Path file) {
        try (Stream<String> lines = Files.lines(file)) {
            return lines.count();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void everyClassIsShort() {
        List<Path> all = Stream.of("core", "server", "e2e", "bench")
                .flatMap(SizesTest::sources)
                .toList();
        assertThat(all).hasSizeGreaterThan(200);
        assertThat(all).allSatisfy(f -> assertThat(lines(f)).as("%s", f).isLessThan(MOST));
    }
}
