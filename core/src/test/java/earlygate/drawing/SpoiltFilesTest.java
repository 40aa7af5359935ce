package earlygate.drawing;

import static earlygate.fixture.Units.document;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.drawing.Change.Merge;
import earlygate.drawing.Change.Move;
import earlygate.drawing.Change.Put;
import earlygate.drawing.Change.Remove;
import earlygate.drawing.Change.Rename;
import earlygate.drawing.Change.Replace;
import earlygate.drawing.Change.Second;
import earlygate.drawing.Change.Split;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/** Drawn on by somebody who has only begun, or whose file was spoilt on its way. */
class SpoiltFilesTest {
    private static final List<String> KINDS = List.of(
            "relief-valve", "throttle", "reducing-valve", "check-valve", "accumulator", "pump", "gauge", "work");

    /** Files that are half filled or spoilt: whatever is pointed out on them, it is drawn or refused, and nothing breaks. */
    @ParameterizedTest
    @ValueSource(strings = {"BP-11", "DR-09", "FB-02", "LG-07", "NH-04", "PL-01", "SW-03", "WD-05"})
    void aSpoiltFileBreaksNothing(String tag) {
        Random chance = new Random(tag.hashCode());
        for (int i = 0; i < 300; i++) {
            ObjectNode spoilt = document(tag);
            List<String> names = new ArrayList<>();
            for (String list : List.of("components", "lines")) {
                spoilt.get(list).forEach(n -> names.add(n.get("id").asString()));
            }
            names.add("T");
            for (int k = 0; k < 3; k++) {
                spoil(spoilt, chance);
            }
            String subject = names.get(chance.nextInt(names.size()));
            String other = names.get(chance.nextInt(names.size()));
            String kind = KINDS.get(chance.nextInt(KINDS.size()));
            OptionalDouble bar = OptionalDouble.of(1 + 300 * chance.nextDouble());
            for (Change change : List.of(
                    new Put(kind, subject, bar),
                    new Put("directional-valve", subject, bar),
                    new Put("section", subject, bar),
                    new Second(subject),
                    new Replace(subject, kind, bar),
                    new Move(subject, "inlet", other),
                    new Move(subject, "ports", other),
                    new Remove(subject, chance.nextBoolean()),
                    new Split(subject, "check-valve", List.of(other + ".outlet", "X", "."), bar),
                    new Merge(subject, other),
                    new Rename(subject, "N" + i))) {
                assertThat(DrawingEdit.of(spoilt, List.of("components.X"), change))
                        .as("%s of %s", change, spoilt)
                        .isNotNull();
            }
        }
    }

    /** One place of a file becomes a number, a text, nothing at all, or is missing. */
    private static void spoil(ObjectNode unit, Random chance) {
        JsonNode at = unit;
        while (true) {
            List<String> keys = new ArrayList<>(at.propertyNames());
            JsonNode below =
                    at.isObject() ? at.get(keys.get(chance.nextInt(keys.size()))) : at.get(chance.nextInt(at.size()));
            if (below.isContainer() && !below.isEmpty() && chance.nextInt(4) > 0) {
                at = below;
                continue;
            }
            if (at instanceof ObjectNode o) {
                String key = keys.get(chance.nextInt(keys.size()));
                switch (chance.nextInt(4)) {
                    case 0 -> o.remove(key);
                    case 1 -> o.put(key, -7);
                    case 2 -> o.put(key, "");
                    default -> o.putNull(key);
                }
            } else {
                ((ArrayNode) at).set(chance.nextInt(at.size()), StringNode.valueOf("?"));
            }
            return;
        }
    }
}
