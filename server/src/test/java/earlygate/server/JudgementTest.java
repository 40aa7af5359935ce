package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Judgement by the stateless calls: recorded readings of known truth, the rule of the verdict, and bad input. */
class JudgementTest extends OnAServer {
    static Stream<JsonNode> recorded() {
        return Stream.concat(
                        IntStream.rangeClosed(1, 8).mapToObj(i -> "settled-0" + i),
                        Stream.concat(
                                IntStream.rangeClosed(1, 12).mapToObj("turn-%02d"::formatted),
                                IntStream.rangeClosed(1, 20).mapToObj("crack-%02d"::formatted)))
                .map(name -> {
                    try {
                        return JsonMapper.shared()
                                .readTree(Files.readString(
                                        Path.of("../core/src/test/resources/judgement/" + name + ".json")));
                    } catch (IOException e) {
                        throw new AssertionError(e);
                    }
                });
    }

    @ParameterizedTest
    @MethodSource("recorded")
    void agreesWithTheTruth(JsonNode example) {
        String call = example.get("call").asString();
        JsonNode truth = example.get("truth");
        JsonNode said = server.post("/api/calc/" + call, (ObjectNode) example.get("ask"))
                .json();
        if (call.equals("settled")) {
            assertThat(said.get("settled").asBoolean())
                    .isEqualTo(truth.get("settled").asBoolean());
            return;
        }
        if (call.equals("crack")) {
            assertThat(said.get("cracked").asBoolean())
                    .isEqualTo(truth.get("cracked").asBoolean());
            if (said.get("cracked").asBoolean()) {
                double held = truth.get("heldBar").asDouble();
                double stands = truth.get("settingBar").asDouble();
                assertThat(said.get("heldBar").asDouble()).isCloseTo(held, within(0.005 * held));
                assertThat(said.get("settingBar").asDouble()).isCloseTo(stands, within(0.01 * stands));
                assertThat(stands)
                        .isBetween(
                                said.get("lowBar").asDouble(),
                                said.get("highBar").asDouble());
            }
            return;
        }
        assertThat(truth.get("advice").valueStream().map(JsonNode::asString))
                .contains(said.get("advice").asString());
        if (said.has("turns")) {
            assertThat(said.get("turns").asDouble())
                    .isBetween(
                            truth.get("turnsFrom").asDouble(),
                            truth.get("turnsTo").asDouble());
            assertThat(said.at("/expect/low").asDouble())
                    .isLessThanOrEqualTo(said.at("/expect/high").asDouble());
        }
    }

    /** |x - T| against t - u and t + u, with u = class x range and half a division of a dial. */
    @Test
    void theVerdictIsTheRule() {
        Random random = new Random(5);
        double[] classes = {0.25, 0.6, 1, 1.6, 2.5};
        for (int i = 0; i < 200; i++) {
            double target = 80 + 220 * random.nextDouble();
            double tolerance = 0.02 * target;
            double range = Math.ceil(1.4 * target);
            double accuracy = classes[random.nextInt(5)];
            double division = random.nextBoolean() ? range / 100 : 0;
            double u = accuracy * range / 100 + division / 2;
            double value = target + tolerance * (5 * random.nextDouble() - 2.5);
            double off = Math.abs(value - target);
            String rule = off <= tolerance - u ? "pass" : off > tolerance + u ? "fail" : "cannot-tell";
            ObjectNode gauge = object().put("rangeBar", range).put("class", accuracy);
            if (division > 0) {
                gauge.put("divisionBar", division);
            }
            JsonNode said = server.post(
                            "/api/calc/verdict",
                            object().put("value", value)
                                    .put("targetBar", target)
                                    .put("toleranceBar", tolerance)
                                    .set("gauge", gauge))
                    .json();
            assertThat(said.get("verdict").asString()).as("%s", said).isEqualTo(rule);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "settled|{}|fullScale",
                "settled|{'fullScale':250}|samples",
                "settled|{'fullScale':250,'samples':[]}|samples",
                "settled|{'fullScale':250,'samples':[[0,1],[0,2]]}|samples[1][0]",
                "settled|{'fullScale':250,'samples':[[0,1],[1]]}|samples[1]",
                "settled|{'fullScale':250,'samples':[[0,null]]}|samples[0][1]",
                "settled|{'fullScale':-1,'samples':[[0,1]]}|fullScale",
                "turn|{}|screw",
                "turn|{'screw':{'barPerTurn':0,'rangeBar':[10,250]}}|screw.barPerTurn",
                "turn|{'screw':{'barPerTurn':40,'rangeBar':[250,10]}}|screw.rangeBar[1]",
                "turn|{'screw':{'barPerTurn':40,'rangeBar':[10,250]},'history':[{'turns':0}]}|history[0].reads",
                "turn|{'screw':{'barPerTurn':40,'rangeBar':[10,250]},'history':[{'turns':0,'reads':90}]}|gauge",
                "crack|{'samples':[{'t':0}]}|samples[0].bar",
                "crack|{'samples':[{'t':1,'bar':2},{'t':0,'bar':2}]}|samples[1].t",
                "crack|{'samples':[{'t':1,'bar':2}],'turns':[{'t':1}]}|turns[0].turns",
                "crack|{'samples':[{'t':0,'bar':2},{'t':5000,'bar':2}]}|samples",
                "verdict|{'value':160}|gauge",
                "verdict|{'value':160,'targetBar':1e9,'toleranceBar':3,'gauge':{'rangeBar':250,'class':0.6}}|targetBar"
            })
    void badInputIsNamed(String call, String body, String path) {
        Server.Answer answer = server.post(
                "/api/calc/" + call, (ObjectNode) JsonMapper.shared().readTree(body.replace('\'', '"')));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().at("/problems/0/path").asString()).isEqualTo(path);
        assertThat(answer.json().at("/problems/0/message").asString()).isNotBlank();
    }
}
