package earlygate.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The screens convert by this file, so that there is one table of units; its figures are held elsewhere against definitions. */
class MeasuresFileTest {
    private static final Path COMMITTED = Path.of("../api/measures.json");
    private final JsonMapper json = JsonMapper.builder().build();

    @Test
    void theScreensHaveTheUnitsThatAreHere() throws IOException {
        ObjectNode all = json.createObjectNode();
        for (Measure m : Measure.values()) {
            ObjectNode measure = all.putObject(m.key());
            measure.put("psi", m.beside(PressureUnit.PSI, m.units().get(0)));
            ObjectNode units = measure.putObject("units");
            m.scales().forEach((unit, s) -> units.putArray(unit).add(s.factor()).add(s.zero()));
        }
        if (Boolean.getBoolean("api.write")) {
            Files.writeString(COMMITTED, json.writerWithDefaultPrettyPrinter().writeValueAsString(all) + "\n");
        }
        assertThat(json.readTree(Files.readString(COMMITTED)))
                .as("api/measures.json is out of date: run this test with -Dapi.write=true")
                .isEqualTo(json.readTree(json.writeValueAsString(all)));
    }
}
