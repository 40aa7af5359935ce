package earlygate.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsTest {
    /** Codes as the sources write them: a first word that owns sentences, then dots. */
    private static final Pattern CODE = Pattern.compile(
            "\"((?:file|situation|solve|api|units|runs|ladder|plan|verdict|advice|reading|run|rig|log|bill|target|instruments|identify|days)\\.[A-Za-z0-9.-]+)\"");

    private static Set<String> codesInSources() {
        Set<String> codes = new TreeSet<>();
        for (String root : new String[] {"../core/src/main/java", "src/main/java"}) {
            try (Stream<Path> files = Files.walk(Path.of(root))) {
                files.filter(f -> f.toString().endsWith(".java")).forEach(f -> {
                    Matcher m = CODE.matcher(read(f));
                    while (m.find()) {
                        codes.add(m.group(1));
                    }
                });
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return codes;
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void everyCodeOfTheSourcesHasItsSentence() {
        Set<String> codes = codesInSources();
        assertThat(codes).hasSizeGreaterThan(120);
        assertThat(codes.stream()
                        // a stem that is completed by a grade or a source, or a title of its own kind, or a path
                        .filter(c -> !c.endsWith("-")
                                && !c.endsWith(".")
                                && !c.equals("file.refused")
                                && !c.equals("situation.refused")
                                && !c.equals("situation.oilC")
                                && !c.equals("instruments.refused")
                                && !c.equals("instruments.json"))
                        .filter(c -> !Words.knows(c)))
                .isEmpty();
        for (String grade : new String[] {"pass", "fail", "cannot-tell"}) {
            assertThat(Words.knows("verdict." + grade)).isTrue();
        }
        for (String typed : new String[] {"empty", "negative", "too-large", "not-a-number"}) {
            assertThat(Words.knows("typed." + typed)).isTrue();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "0.0625, 1/16 turn",
        "0.25, 1/4 turn",
        "1, 1 turn",
        "1.0625, 1 1/16 turns",
        "2.5, 2 1/2 turns",
        "0, no turn",
        "-0.25, −1/4 turn",
        "-2.5, −2 1/2 turns"
    })
    void turnsAsAHandCountsThem(double turns, String said) {
        assertThat(Words.turns(turns)).isEqualTo(said);
    }

    @Test
    void figuresStandInTheUnitThatIsAsked() {
        Reason reason = Reason.of("ladder.L1.short")
                .name("relief", "RV1")
                .name("compensator", "P1.compensator")
                .pressure("gap", 6e5)
                .pressure("needed", 14e5)
                .power("heat", 3250)
                .ratio("load", 0.413);
        assertThat(Words.in(PressureUnit.BAR).say(reason))
                .isEqualTo("RV1 cracks only 6 bar above P1 compensator; 14 bar is asked. At the unlucky ends of both"
                        + " tolerances: 3.3 kW over the relief, motor at 41 %.");
        assertThat(Words.in(PressureUnit.MPA).say(reason)).contains("0.60 MPa above", "1.40 MPa is asked");
    }

    @Test
    void aValueLeftOutIsAMistakeThatShows() {
        Words words = Words.in(PressureUnit.BAR);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> words.say(Reason.of("plan.lock")))
                .hasMessageContaining("{setting}");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> words.say(Reason.of("plan.nothing")))
                .hasMessageContaining("No words");
    }
}
