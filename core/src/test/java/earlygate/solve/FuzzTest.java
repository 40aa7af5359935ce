package earlygate.solve;

import static earlygate.fixture.Units.circuit;
import static earlygate.fixture.Units.document;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Seeded mutations of sound files: whatever comes out is an answer in finite numbers or a named refusal. */
class FuzzTest {
    private static final int FILES = Effort.of("fuzz.files", 1000, 15000);
    private static final JsonMapper JSON = new JsonMapper();
    private static final double[] NUMBERS = {-1, 0, 1e-9, 0.1, 3, 77, 999, 1e6, 1e300};

    @Test
    void mutatedFilesGiveAnAnswerOrAReason() {
        Random random = new Random(20);
        List<ObjectNode> seeds = List.of(document("LG-07"), circuit("LS"), circuit("AC"), circuit("BR"), circuit("DC"));
        int solved = 0;
        for (int i = 0; i < FILES; i++) {
            ObjectNode file = seeds.get(i % seeds.size()).deepCopy();
            for (int m = random.nextInt(3); m >= 0; m--) {
                mutate(file, random);
            }
            if (UnitFile.read(file) instanceof UnitFile.Reading.Read read) {
                solved += check(read.unit(), file);
            }
        }
        assertThat(solved).as("sound enough to solve").isGreaterThan(FILES / 20);
    }

    private static int check(PowerUnit unit, ObjectNode file) {
        Outcome outcome = Model.of(unit).outcome(Situation.AS_THE_FILE);
        if (outcome instanceof Outcome.Converged c) {
            String answer = JSON.writeValueAsString(c.state());
            assertThat(answer).as("%s", file).doesNotContain("NaN").doesNotContain("Infinity");
            return 1;
        }
        assertThat(((Outcome.Failed) outcome).lines()).as("%s", file).isNotEmpty();
        return 0;
    }

    /** One value anywhere in the file becomes another number, another name of the file, or goes. */
    private static void mutate(ObjectNode file, Random random) {
        List<ObjectNode> objects = new ArrayList<>();
        collect(file, objects);
        ObjectNode target = objects.get(random.nextInt(objects.size()));
        List<String> keys = new ArrayList<>(target.propertyNames());
        String key = keys.get(random.nextInt(keys.size()));
        JsonNode value = target.get(key);
        if (value.isNumber()) {
            boolean wild = random.nextInt(4) == 0;
            target.put(
                    key,
                    wild
                            ? NUMBERS[random.nextInt(NUMBERS.length)]
                            : value.doubleValue() * Math.exp(2 * random.nextGaussian()));
        } else if (value.isString() && random.nextBoolean()) {
            ArrayNode lines = (ArrayNode) file.withArray("lines");
            target.put(
                    key,
                    lines.isEmpty()
                            ? "T"
                            : lines.get(random.nextInt(lines.size())).path("id").asString("T"));
        } else if (random.nextInt(6) == 0) {
            target.remove(key);
        }
    }

    private static void collect(JsonNode node, List<ObjectNode> into) {
        if (node instanceof ObjectNode o && !o.isEmpty()) {
            into.add(o);
        }
        node.forEach(child -> collect(child, into));
    }
}
