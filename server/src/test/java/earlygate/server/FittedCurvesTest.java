package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Curves by the stateless call; their truth is reckoned here by hand. */
class FittedCurvesTest extends OnAServer {
    /** The lock-gate pump: 40 cm3, 94 % new at 250 bar and 1465 rpm; read at 1475 rpm and 40 °C, when it is worn to 86 %. */
    private static ObjectNode worn() {
        ObjectNode ask = object().put("subject", "P1");
        ask.set("unit", Server.unit());
        ArrayNode points = ask.putArray("points");
        double leak = 0.040 * 1465 * (1 - 0.86) / 250;
        for (double bar : new double[] {20, 50, 80, 110, 135}) {
            double lpm = 0.040 * 1475 - leak * bar + (bar == 80 ? 0.1 : -0.025);
            points.addObject()
                    .put("bar", bar)
                    .put("lpm", lpm)
                    .put("speedRpm", 1475)
                    .put("oilC", 40);
        }
        return ask;
    }

    @Test
    void aWornPumpIsToldInWordsAndFigures() {
        JsonNode said = server.post("/api/calc/fit", worn()).json();
        assertThat(said.get("kind").asString()).isEqualTo("pump");
        assertThat(said.get("verdict").asString()).isEqualTo("fail");
        JsonNode eta = said.at("/parameters/volumetricEfficiency");
        assertThat(eta.get("value").asDouble()).isCloseTo(0.86, within(0.003));
        assertThat(eta.get("low").asDouble()).isLessThan(0.86);
        assertThat(eta.get("high").asDouble()).isGreaterThan(0.86);
        assertThat(eta.get("expected").asDouble()).isEqualTo(0.94);
        assertThat(said.at("/said/0").asString())
                .startsWith("Volumetric efficiency 0.86 ± 0.0")
                .contains("worn");
        assertThat(said.at("/points/4/efficiency").asDouble())
                .isCloseTo(1 - 135 * 0.040 * 1465 * 0.14 / 250 / (0.040 * 1475), within(0.001));
        assertThat(said.at("/points/4/residual").asDouble())
                .isCloseTo(-135 * 0.040 * 1465 * 0.08 / 250 - 0.025, within(0.02));
        assertThat(said.at("/lines/expected").size()).isGreaterThan(100);
        assertThat(said.at("/lines/fitted/100/0").asDouble()).isEqualTo(100);
        assertThat(said.at("/lines/fitted/100/1").asDouble())
                .isLessThan(said.at("/lines/expected/100/1").asDouble() - 1.5);
    }

    @Test
    void whatWasStruckOutStaysAndCountsForNothing() {
        ObjectNode ask = worn();
        JsonNode before = server.post("/api/calc/fit", ask).json();
        ((ArrayNode) ask.get("points"))
                .addObject()
                .put("bar", 100)
                .put("lpm", 12)
                .put("oilC", 40)
                .put("struck", true);
        JsonNode after = server.post("/api/calc/fit", ask).json();
        assertThat(after.get("parameters")).isEqualTo(before.get("parameters"));
        assertThat(after.at("/points/5/region").asString()).isEqualTo("struck");
    }

    @Test
    void aReliefIsFittedUpAndBack() {
        ObjectNode ask = object().put("subject", "RV1");
        ask.set("unit", Server.unit());
        ask.putObject("gauge").put("rangeBar", 250).put("class", 0.6);
        ArrayNode points = ask.putArray("points");
        DoubleStream.of(0.5, 10, 20, 30, 40)
                .forEach(lpm -> points.addObject().put("bar", 190 + 0.06 * lpm).put("lpm", lpm));
        DoubleStream.of(40, 25, 10)
                .forEach(lpm -> points.addObject()
                        .put("bar", 185 + 0.06 * lpm)
                        .put("lpm", lpm)
                        .put("back", true));
        JsonNode said = server.post("/api/calc/fit", ask).json();
        assertThat(said.at("/parameters/cracking/value").asDouble()).isCloseTo(190, within(0.01));
        assertThat(said.at("/parameters/override/value").asDouble()).isCloseTo(6, within(0.01));
        assertThat(said.at("/parameters/fullFlow/value").asDouble()).isCloseTo(192.4, within(0.01));
        assertThat(said.at("/parameters/reseat/value").asDouble()).isCloseTo(185, within(0.01));
        assertThat(said.get("verdict").asString()).isEqualTo("fail");
        assertThat(said.at("/said/0").asString()).startsWith("RV1 190 bar, out of 176 bar ± 4 bar, 1.5 bar of doubt");
    }

    /** Each names the place and says what to do; nothing is a 5xx. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "{\"points\":[{\"bar\":100,\"lpm\":60},{\"bar\":120,\"lpm\":59}]}; points; 2 points count",
                "{\"points\":[{\"bar\":100,\"lpm\":60},{\"bar\":100,\"lpm\":60},{\"bar\":101,\"lpm\":60},{\"bar\":100,\"lpm\":60},{\"bar\":100,\"lpm\":60}]}; points; All points lie between 100 bar and 101 bar",
                "{\"points\":[{\"bar\":20,\"lpm\":50},{\"bar\":50,\"lpm\":54},{\"bar\":80,\"lpm\":58},{\"bar\":110,\"lpm\":62},{\"bar\":140,\"lpm\":66}]}; points; The flow rises",
                "{\"subject\":\"RV9\"}; subject; \"RV9\" is no pump",
                "{\"kind\":\"pie\"}; kind; use pump, relief, margin or limiter",
                "{\"points\":[{\"bar\":100}]}; points[0].lpm; lpm",
                "{\"points\":[null]}; points[0]; points",
                "{\"points\":[{\"bar\":-3,\"lpm\":60}]}; points[0].bar; -3",
                "{\"points\":null}; points; points",
                "{\"meter\":{\"rangeLpm\":150,\"class\":40}}; meter.class; 40",
                "{\"situation\":{\"suctionShut\":[\"P1\"]}}; situation; its suction is shut",
            })
    void whatTellsNothingIsSaid(String change, String path, String part) {
        ObjectNode ask = worn();
        ((ObjectNode) JsonMapper.shared().readTree(change))
                .properties()
                .forEach(e -> ask.set(e.getKey(), e.getValue()));
        var answer = server.post("/api/calc/fit", ask);
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.json().at("/problems/0/path").asString()).isEqualTo(path);
        assertThat(answer.json().at("/problems/0/message").asString()).contains(part);
    }
}
