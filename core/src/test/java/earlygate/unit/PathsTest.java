package earlygate.unit;

import static earlygate.fixture.Units.circuit;
import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.read;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which lines stand at one pressure, and where a path leads. */
class PathsTest {
    /** Whose oil can get to a line in some position of the valves. */
    @ParameterizedTest
    @CsvSource({
        "BP-11, H, PL PH",
        "BP-11, L, PL",
        "SW-03, X, P1",
        "SW-03, Y, P1",
        "NH-04, A2, P1",
        "NH-04, LS, ''",
        "WD-05, R, P1",
        "FB-02, B, P1",
        "PL-01, A, P1"
    })
    void pumpsThatFeedALine(String tag, String line, String pumps) {
        List<String> feeding =
                new Paths(demo(tag)).feeding(line).stream().map(Pump::id).toList();
        assertThat(feeding).containsExactlyElementsOf(pumps.isEmpty() ? List.of() : List.of(pumps.split(" ")));
    }

    /** Checks and isolating valves tie, reducing valves, sections and directional valves do not. */
    @Test
    void linesThatStandAtOnePressure() {
        assertThat(new Paths(demo("FB-02")).tied("A")).containsExactlyInAnyOrder("A", "B", "P");
        assertThat(new Paths(demo("WD-05")).tied("P")).containsExactly("P");
        assertThat(new Paths(demo("SW-03")).tied("X")).containsExactly("X");
        assertThat(new Paths(read(circuit("BR"))).tied("P")).containsExactlyInAnyOrder("P", "F");
    }

    @Test
    void nothingLeadsThroughTheTank() {
        Paths paths = new Paths(demo("SW-03"));
        assertThat(paths.reached("X")).doesNotContain(Line.TANK);
        // A relief is a drain, not a way: without one position of DV1 nothing leads from X to Y.
        assertThat(new Paths(demo("NH-04")).reached("A1")).containsExactly("A1");
    }

    @Test
    void aSituationKeepsWhatIsNotChanged() {
        PowerUnit unit = demo("SW-03");
        Situation base = Situation.AS_THE_FILE.withOpening("TV1", 0.3).withSetting("RX", 100e5);
        Situation both = base.withPosition("DV1", "east").withOpening("TV1", 0);
        assertThat(both.openings()).containsEntry("TV1", 0.0);
        assertThat(both.positions()).containsEntry("DV1", "east");
        assertThat(both.settings()).containsEntry("RX", 100e5);
        assertThat(both.centred(unit).positions()).containsEntry("DV1", "centre");
        assertThat(both.withPressure("X", 1e5).freed().pressures()).isEmpty();
    }
}
