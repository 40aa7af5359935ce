package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Recorded readings whose truth is known, made independently of this product. */
class RecordedExamplesTest {
    static Stream<JsonNode> settled() {
        return IntStream.rangeClosed(1, 8).mapToObj(i -> example("settled", i));
    }

    static Stream<JsonNode> turns() {
        return IntStream.rangeClosed(1, 12).mapToObj(i -> example("turn", i));
    }

    static JsonNode example(String call, int number) {
        String name = "/judgement/%s-%02d.json".formatted(call, number);
        try (InputStream in = RecordedExamplesTest.class.getResourceAsStream(name)) {
            return JsonMapper.shared().readTree(in);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @ParameterizedTest
    @MethodSource("settled")
    void settles(JsonNode example) {
        JsonNode truth = example.get("truth");
        Settled settled = new Settled(example.at("/ask/fullScale").asDouble());
        example.at("/ask/samples")
                .forEach(s -> settled.add(s.get(0).asDouble(), s.get(1).asDouble()));
        assertThat(settled.settled()).isEqualTo(truth.get("settled").asBoolean());
        if (settled.settled()) {
            double rest = truth.get("finalBar").asDouble();
            assertThat(settled.mean()).isCloseTo(rest, within(0.005 * rest));
        }
    }

    @ParameterizedTest
    @MethodSource("turns")
    void advises(JsonNode example) {
        JsonNode truth = example.get("truth");
        JsonNode ask = example.get("ask");
        List<String> right = new ArrayList<>();
        truth.get("advice").forEach(a -> right.add(a.asString()));
        NextTurn said = NextTurn.of(ask(ask));
        assertThat(right).contains(said.key());
        if (said instanceof NextTurn.Turn turn) {
            assertThat(turn.turns())
                    .isBetween(
                            truth.get("turnsFrom").asDouble(),
                            truth.get("turnsTo").asDouble());
        }
    }

    private static NextTurn.Ask ask(JsonNode ask) {
        List<NextTurn.Reading> history = new ArrayList<>();
        ask.get("history")
                .forEach(h -> history.add(new NextTurn.Reading(
                        h.get("turns").asDouble(), h.get("reads").asDouble())));
        double range = ask.at("/gauge/rangeBar").asDouble();
        return new NextTurn.Ask(
                ask.at("/screw/barPerTurn").asDouble(),
                ask.at("/screw/rangeBar/0").asDouble(),
                ask.at("/screw/rangeBar/1").asDouble(),
                history,
                ask.get("targetBar").asDouble(),
                ask.get("toleranceBar").asDouble(),
                ask.get("toleranceBar").asDouble(),
                range,
                range * ask.at("/gauge/class").asDouble() / 100,
                ask.at("/gauge/divisionBar").asDouble(0),
                OptionalDouble.of(ask.get("limitBar").asDouble()),
                Slope.ofData(ask.at("/screw/barPerTurn").asDouble()),
                Double.POSITIVE_INFINITY);
    }
}
