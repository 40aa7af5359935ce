package earlygate.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every code has its sentence, every sentence is said, and figures stand in the unit that is asked. */
class WordsTest {
    private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\\n]|\\\\.)*)\"");
    private static final Pattern CODE = Pattern.compile("[a-z][a-z-]*\\.[A-Za-z0-9.-]*[A-Za-z0-9]");
    private static final Pattern CONSTANT = Pattern.compile("\\b[A-Z][A-Z0-9_]+\\b");

    /** Not codes: paths of inputs, and files of their own. */
    private static final Set<String> NO_CODES =
            Set.of("situation.oilC", "instruments.json", "upkeep.json", "record.edition");

    private static final String SOURCES = sources();
    private static final Set<String> LITERALS = found(LITERAL, SOURCES);

    private static String sources() {
        StringBuilder all = new StringBuilder();
        for (String root : new String[] {"../core/src/main/java", "src/main/java"}) {
            try (Stream<Path> files = Files.walk(Path.of(root))) {
                files.filter(f -> f.toString().endsWith(".java")).forEach(f -> all.append(read(f)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return all.toString();
    }

    private static Set<String> found(Pattern pattern, String text) {
        Set<String> found = new TreeSet<>();
        Matcher m = pattern.matcher(text);
        while (m.find()) {
            found.add(m.groupCount() > 0 ? m.group(1) : m.group());
        }
        return found;
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Every key of the file. */
    private static Set<String> keys() {
        Properties words = new Properties();
        try (Reader in = Files.newBufferedReader(Path.of("src/main/resources/words.properties"))) {
            words.load(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new TreeSet<>(words.stringPropertyNames());
    }

    @Test
    void everyCodeOfTheSourcesHasItsSentence() {
        Set<String> rooms =
                keys().stream().map(k -> k.substring(0, k.indexOf('.'))).collect(Collectors.toSet());
        assertThat(LITERALS.stream()
                        .filter(l -> CODE.matcher(l).matches() && rooms.contains(l.substring(0, l.indexOf('.'))))
                        .filter(l -> !NO_CODES.contains(l) && !l.endsWith(".refused"))
                        .filter(l -> !Words.knows(l)))
                .isEmpty();
    }

    /** A key is said as it stands, or put together of a stem, a key of an enum or a word, and an ending. */
    @Test
    void everySentenceIsSaidSomewhere() throws IOException {
        Set<String> words = new TreeSet<>(LITERALS);
        found(CONSTANT, SOURCES)
                .forEach(c -> words.add(c.toLowerCase(Locale.ROOT).replace('_', '-')));
        List<String> stems = LITERALS.stream()
                .filter(l -> l.matches("[a-z][A-Za-z0-9.-]*[.-]"))
                .toList();
        List<String> endings =
                LITERALS.stream().filter(l -> l.matches("[.-][a-z-]+")).toList();
        Set<String> earlier = new TreeSet<>();
        for (String run : new String[] {"edition-1", "edition-2", "edition-3", "edition-4"}) {
            earlier.addAll(found(
                    Pattern.compile("\"code\":\"([^\"]+)\""),
                    read(Path.of("src/test/resources/runs/" + run + ".json"))));
        }
        String file = read(Path.of("src/main/resources/words.properties"));
        String kept =
                file.substring(file.indexOf("read for ever"), file.indexOf("# --- what went wrong at the server"));
        assertThat(keys().stream()
                        .filter(k -> !LITERALS.contains(k) && !earlier.contains(k) && !kept.contains("\n" + k + "="))
                        .filter(k -> endings.stream()
                                .noneMatch(e ->
                                        k.endsWith(e) && LITERALS.contains(k.substring(0, k.length() - e.length()))))
                        .filter(k -> stems.stream()
                                .filter(k::startsWith)
                                .map(stem -> k.substring(stem.length()))
                                .noneMatch(rest -> words.contains(rest)
                                        || endings.stream()
                                                .anyMatch(e -> rest.endsWith(e)
                                                        && words.contains(
                                                                rest.substring(0, rest.length() - e.length()))))))
                .isEmpty();
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
                .said("cost", Reason.of("part.ladder-cost").power("heat", 3250).ratio("motorLoad", 0.413));
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
