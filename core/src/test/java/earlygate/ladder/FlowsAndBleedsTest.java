package earlygate.ladder;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A rule speaks only of what the circuit lets happen. */
class FlowsAndBleedsTest {
    private static List<String> codes(String tag, Consumer<ObjectNode> change) {
        ObjectNode document = document(tag);
        change.accept(document);
        PowerUnit unit = read(document);
        return Ladder.check(unit, GapSchool.DEFAULT).stream()
                .map(f -> f.message().code())
                .toList();
    }

    private static void add(ObjectNode unit, String list, String text) {
        unit.withArray(list).add(JsonMapper.shared().readTree(text.replace('\'', '"')));
    }

    private static Consumer<ObjectNode> noOrifice() {
        return u -> part(u, "components", "OR1").put("b", "P");
    }

    @Test
    void aBleedIsAnyWayOfTheSignalToTank() {
        assertThat(codes("NH-04", u -> {})).noneMatch(c -> c.startsWith("ladder.L8"));
        assertThat(codes("NH-04", noOrifice())).contains("ladder.L8.no-bleed");
        assertThat(codes(
                        "NH-04",
                        noOrifice()
                                .andThen(u -> add(
                                        u,
                                        "components",
                                        "{'id':'LK9','type':'leak','a':'LS','b':'T','flowLpm':0.8,'atBar':100}"))))
                .noneMatch(c -> c.startsWith("ladder.L8"));
        String lever = "{'id':'DV9','type':'directional-valve','ports':['LS','T'],'start':'rest','ratedFlowLpm':5,"
                + "'ratedDropBar':5,'positions':{'rest':[['LS','T']],'held':[]}}";
        assertThat(codes("NH-04", noOrifice().andThen(u -> add(u, "components", lever))))
                .noneMatch(c -> c.startsWith("ladder.L8"));
    }

    /** A relief behind a flow control can meet no more than that lets through. */
    @Test
    void aReliefMeetsTheFlowThatReachesIt() {
        Consumer<ObjectNode> branch = u -> {
            add(u, "lines", "{'id':'B','ratingBar':250}");
            add(
                    u,
                    "components",
                    "{'id':'FC9','type':'flow-control','inlet':'P','outlet':'B','setLpm':12,'ratedFlowLpm':30,'ratedDropBar':8}");
            add(
                    u,
                    "components",
                    "{'id':'RV9','type':'relief-valve','acting':'pilot','inlet':'B','outlet':'T','settingBar':100,"
                            + "'overrideBar':5,'ratedFlowLpm':20,'role':'port'}");
            add(u, "targets", "{'setting':'RV9','pressureBar':100}");
        };
        assertThat(codes("LG-07", branch)).doesNotContain("ladder.L3.too-small");
        assertThat(codes(
                        "LG-07",
                        branch.andThen(u -> part(u, "components", "FC9").put("setLpm", 25))))
                .contains("ladder.L3.too-small");
    }
}
