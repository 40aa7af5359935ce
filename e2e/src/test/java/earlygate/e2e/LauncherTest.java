package earlygate.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What can't be done is said by the launcher in one line, and nothing is begun. */
class LauncherTest {
    private record Said(int code, List<String> lines) {}

    private static Said gate(String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("bash", "-c", command)
                .directory(Path.of("..").toFile())
                .redirectErrorStream(true)
                .start();
        process.getOutputStream().close();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Said(process.waitFor(), said.lines().toList());
    }

    private static void refused(String command, String why) throws IOException, InterruptedException {
        Said said = gate(command);
        assertThat(said.code()).as("%s", said).isEqualTo(1);
        assertThat(said.lines()).singleElement().asString().startsWith("gate: ").contains(why);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "./gate test --quick | unknown option --quick; ./gate test [--long]",
                "./gate demo --speed 9 | unknown option --speed",
                "./gate demo --port 99999 | --port 99999 is no port: 1 to 65535",
                "./gate demo --data | --data needs a folder",
                "./gate demo --memory 100 | --memory 100 is too little or no number: 256 MB or more",
                "./gate demo --early-gate.hosts | unknown option --early-gate.hosts",
                "./gate backup /nowhere/copy.tgz --data /nowhere | there are no data in /nowhere",
                "./gate restore /nowhere/copy.tgz | there is no file /nowhere/copy.tgz",
                "./gate verify | verify which file?",
                // Whoever holds the lock builds or tests here.
                "exec 8>.tools/lock; flock -n 8; ./gate test | another ./gate builds or tests in"
            })
    void whatCannotBeDoneIsSaidInOneLine(String command, String why) throws IOException, InterruptedException {
        refused(command, why);
    }

    @Test
    void aPortInUseIsNotTaken(@TempDir Path data) throws IOException, InterruptedException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            refused(
                    "./gate demo --early-gate.hosts=bay.local --memory 600 --port " + taken.getLocalPort() + " --data "
                            + data,
                    "port " + taken.getLocalPort() + " is in use");
        }
        assertThat(data).isEmptyDirectory();
    }

    @Test
    void anUnknownCommandShowsThoseThatThereAre() throws IOException, InterruptedException {
        Said said = gate("./gate dance");
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.lines().get(0)).isEqualTo("gate: dance is no command");
        assertThat(said.lines()).anyMatch(l -> l.startsWith("./gate test"));
    }
}
