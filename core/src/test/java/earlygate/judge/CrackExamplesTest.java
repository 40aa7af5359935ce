package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.SituationFile;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Recorded streams of reliefs whose truth is known, made independently of this product. */
class CrackExamplesTest {
    private static final double BAR = 1e5;

    static Stream<JsonNode> cracks() {
        return IntStream.rangeClosed(1, 20).mapToObj(i -> RecordedExamplesTest.example("crack", i));
    }

    @ParameterizedTest
    @MethodSource("cracks")
    void agreesWithTheTruth(JsonNode example) {
        JsonNode ask = example.get("ask");
        JsonNode truth = example.get("truth");
        double[] t = column(ask.get("samples"), "t", 1);
        double[] pa = column(ask.get("samples"), "bar", BAR);
        Optional<double[]> amps = ask.at("/samples/0").hasNonNull("amps")
                ? Optional.of(column(ask.get("samples"), "amps", 1))
                : Optional.empty();
        Optional<CrackSearch> crack = CrackSearch.in(t, pa, amps);
        assertThat(crack.isPresent()).isEqualTo(truth.get("cracked").asBoolean());
        if (crack.isEmpty()) {
            return;
        }
        double held = truth.get("heldBar").asDouble();
        assertThat(crack.get().held() / BAR).isCloseTo(held, within(0.005 * held));
        List<ReliefEstimate.Turned> turns = new ArrayList<>();
        ask.path("turns")
                .forEach(x -> turns.add(new ReliefEstimate.Turned(
                        x.get("t").asDouble(), x.get("turns").asDouble())));
        PowerUnit unit = ((UnitFile.Reading.Read) UnitFile.read(ask.get("unit"))).unit();
        ReliefEstimate place = ReliefEstimate.of(
                        Model.of(unit),
                        SituationFile.read(unit, ask.get("situation"), new ArrayList<>()),
                        ask.get("setting").asString(),
                        new ReliefEstimate.Stream(t, pa, amps),
                        turns,
                        crack.get())
                .orElseThrow();
        double stands = truth.get("settingBar").asDouble();
        assertThat(place.settingPa() / BAR).isCloseTo(stands, within(0.01 * stands));
        assertThat(stands * BAR).isBetween(place.low(), place.high());
    }

    private static double[] column(JsonNode samples, String key, double factor) {
        return samples.valueStream()
                .mapToDouble(s -> factor * s.get(key).asDouble())
                .toArray();
    }
}
