package earlygate.judge;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class CrackStreamsTest {
    @Test
    void examples() throws Exception {
        for (int i = 1; i <= 20; i++) {
            JsonNode e = JsonMapper.shared()
                    .readTree(new java.io.File("/work/shared/exams/judgement/crack-%02d.json".formatted(i)));
            JsonNode s = e.at("/ask/samples");
            double[] t = s.valueStream().mapToDouble(x -> x.get("t").asDouble()).toArray();
            double[] p =
                    s.valueStream().mapToDouble(x -> x.get("bar").asDouble()).toArray();
            boolean amps = s.get(0).has("amps") && !s.get(0).get("amps").isNull();
            Optional<double[]> a = amps
                    ? Optional.of(s.valueStream()
                            .mapToDouble(x -> x.get("amps").asDouble())
                            .toArray())
                    : Optional.empty();
            Optional<CrackSearch> c = CrackSearch.in(t, p, a);
            JsonNode truth = e.get("truth");
            System.out.println("## " + i + " " + e.get("name") + " truth " + truth.get("cracked") + " at "
                    + truth.get("atS") + " held " + truth.get("heldBar") + " past " + truth.get("turnsPast") + " n "
                    + truth.get("noisePercent") + " end " + t[t.length - 1] + " said " + c);
        }
    }
}
