package earlygate.unit.file;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.unit.PowerUnit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A situation is read as strictly as a unit file; what it doesn't know it never passes over. */
class SituationFileTest {
    private static final JsonMapper JSON = new JsonMapper();

    private static List<Problem> problems(String situation) {
        List<Problem> problems = new ArrayList<>();
        SituationFile.read(unit(), JSON.readTree(situation), problems);
        return problems;
    }

    private static PowerUnit unit() {
        try {
            String text = Files.readString(Path.of("../demo/units/LG-07.json"));
            return ((UnitFile.Reading.Read) UnitFile.read(text)).unit();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "{'drivers':{'M1':{'runing':false}}} | situation.drivers.M1.runing | file.unknown-key",
                "{'drivers':{'M1':{'running':'no'}}} | situation.drivers.M1.running | file.wrong-type",
                "{'drivers':{'M1':{'running':null}}} | situation.drivers.M1.running | file.wrong-type",
                "{'drivers':{'M1':{'speedRpm':'fast'}}} | situation.drivers.M1.speedRpm | situation.out-of-range",
                "{'drivers':{'M1':true}} | situation.drivers.M1 | file.wrong-type",
                "{'drivers':5} | situation.drivers | file.wrong-type",
                "{'drivers':{'M9':{}}} | situation.drivers.M9 | situation.unknown",
                "{'openings':[1]} | situation.openings | file.wrong-type",
                "{'openings':{'TV1':'1'}} | situation.openings.TV1 | situation.out-of-range",
                "{'openings':{'TV1':1.01}} | situation.openings.TV1 | situation.out-of-range",
                "{'openings':{'P1':1}} | situation.openings.P1 | situation.unknown",
                "{'vented':7} | situation.vented | file.wrong-type",
                "{'vented':[7]} | situation.vented[0] | file.wrong-type",
                "{'blocked':'H1'} | situation.blocked | file.wrong-type",
                "{'suctionShut':['P1','P2']} | situation.suctionShut[1] | situation.unknown",
                "{'pressures':{'P':null}} | situation.pressures.P | situation.out-of-range",
                "{'positions':[]} | situation.positions | file.wrong-type",
                "{'oilC':null} | situation.oilC | situation.out-of-range",
                "{'oilC':'warm'} | situation.oilC | situation.out-of-range",
                "{'opening':{}} | situation.opening | file.unknown-key",
                "[] | situation | situation.not-object",
            })
    void refusesWhatItDoesNotKnow(String situation, String path, String code) {
        assertThat(problems(situation.replace('\'', '"'))).singleElement().satisfies(p -> {
            assertThat(p.path()).isEqualTo(path);
            assertThat(p.reason().code()).isEqualTo(code);
        });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"null", "{}", "{\"drivers\":{\"M1\":{}}}", "{\"vented\":[],\"pressures\":{}}"})
    void takesWhatSaysLittle(String situation) {
        assertThat(problems(situation)).isEmpty();
    }

    @Test
    void aChangeAddsHandlesAndReplacesListsAndHeldLines() {
        JsonNode before = JSON.readTree("{\"openings\":{\"TV1\":1},\"pressures\":{\"P\":50},\"suctionShut\":[\"P1\"]}");
        JsonNode change = JSON.readTree("{\"openings\":{\"TV2\":0.5},\"pressures\":{},\"suctionShut\":[]}");
        assertThat(SituationFile.changed(before, change))
                .isEqualTo(JSON.readTree("{\"openings\":{\"TV1\":1,\"TV2\":0.5},\"pressures\":{},\"suctionShut\":[]}"));
        assertThat(before.at("/pressures/P").asInt()).isEqualTo(50);
    }
}
