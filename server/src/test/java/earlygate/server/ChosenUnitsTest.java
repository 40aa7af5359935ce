package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.server.Server.Answer;
import earlygate.unit.PowerUnit;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Who reads psi reads gallons, horsepower and degrees Fahrenheit with them, in every sentence and beside every field. */
class ChosenUnitsTest extends OnAServer {
    /** Metric units behind a number, or as the whole of a text. A gauge keeps the unit on its dial, so bar may stand. */
    private static final Pattern METRIC = Pattern.compile("(^|[0-9] ?)(°C|C|K|L/min|kW|MPa|N)($|[ .,;:)])");

    static List<String> tags() {
        return Units.DEMO;
    }

    @ParameterizedTest
    @MethodSource("tags")
    void noSentenceOfAPlanIsMetric(String tag) {
        Stream<String> bar =
                texts(server.get("/api/units/" + tag + "/plan.json").json());
        assertThat(bar.filter(t -> METRIC.matcher(t).find())).isNotEmpty();
        List<String> psi = texts(server.get("/api/units/" + tag + "/plan.json?pressure=psi")
                        .json())
                .toList();
        assertThat(psi).filteredOn(t -> METRIC.matcher(t).find()).isEmpty();
        assertThat(psi).anyMatch(t -> t.contains("°F"));
    }

    /**
     * A reader of psi types psi off a dial in psi, and the oil in °F where the field says so: it ends in the same record, and
     * every sentence of a step speaks his units first.
     */
    @Test
    void aRunIsTypedInThem() {
        ObjectNode psi = Server.unit();
        psi.put("tag", "LG-70");
        ((ObjectNode) psi.get("testPoints").get(0)).put("reads", "psi");
        assertThat(server.post("/api/units", psi).status()).isEqualTo(201);
        PowerUnit unit = Units.read(psi);
        AtTheMachine walker = new AtTheMachine(
                server.in("psi"), object().put("tag", "LG-70").put("technician", "A. Marsh"), unit, 11);
        walker.walkTo("Read the oil");
        assertThat(walker.view.at("/step/expect/0/reads").asString()).isEqualTo("°F");
        JsonNode record = walker.walk();
        Certified.passed(record);
        Certified.truly(unit, record, walker.machine.rig());
        assertThat(texts(server.in("psi").run(walker.run)))
                .filteredOn(t -> METRIC.matcher(t).find())
                .isEmpty();
        double celsius = record.at("/settings/0/oilC").asDouble();
        assertThat(celsius).isBetween(30.0, 65.0);
        String pdf = pdf(server.get("/api/runs/" + walker.run + "/record.pdf?pressure=psi"));
        assertThat(pdf).contains("°F").doesNotContain("°C");
        JsonNode shown =
                server.get("/api/runs/" + walker.run + "/record?pressure=psi").json();
        assertThat(oil(shown, "°F")).isCloseTo(oil(record, "°C") * 1.8 + 32, within(0.2));
        // To a reader of bar the dial comes first all the same.
        JsonNode plan = server.get("/api/units/LG-70/plan.json").json();
        String set = plan.at("/phases/5/steps")
                .valueStream()
                .filter(s -> s.get("kind").asString().equals("set"))
                .skip(1)
                .findFirst()
                .orElseThrow()
                .get("action")
                .asString();
        assertThat(set).contains("2321 psi (160");
    }

    @Test
    void aNumberWithItsUnitIsThatWhateverTheReaderHasChosen() {
        long run = run("LG-07", false);
        server.walkTo(run, "Prove zero");
        assertThat(oil(run, "104 °F").status()).isEqualTo(200);
        assertThat(server.run(run).at("/oil/c").asDouble()).isCloseTo(40, within(0.05));
        assertThat(server.in("psi").event(run, "reading", reading(run, "50")).status())
                .isEqualTo(200);
        assertThat(server.run(run).at("/oil/c").asDouble()).isEqualTo(50);
        assertThat(oil(run, "-5").status()).isEqualTo(200);
        assertThat(oil(run, "40 bar").problem()).contains("\"bar\" is no unit", "°F");
        assertThat(oil(run, "500 °F").problem()).contains("500 °F is more than", "150 °C at most");
        assertThat(oil(run, "-80 F").problem()).contains("-40 °C at least");
        assertThat(oil(run, "1O4").problem()).contains("\"1O4\" is not a number");
    }

    private static Answer oil(long run, String text) {
        return server.event(run, "reading", reading(run, text));
    }

    private static ObjectNode reading(long run, String text) {
        return object().put("step", server.step(run)).put("instrument", "OIL").put("text", text);
    }

    private static double oil(JsonNode record, String unit) {
        return record.at("/tests")
                .valueStream()
                .filter(t -> t.get("unit").asString().equals(unit))
                .findFirst()
                .orElseThrow()
                .get("value")
                .asDouble();
    }

    private static String pdf(Answer answer) {
        try (var document = Loader.loadPDF(answer.bytes())) {
            return new PDFTextStripper().getText(document);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Stream<String> texts(JsonNode node) {
        return node.isString() ? Stream.of(node.asString()) : node.valueStream().flatMap(ChosenUnitsTest::texts);
    }
}
