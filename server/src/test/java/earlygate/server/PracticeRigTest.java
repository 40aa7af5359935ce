package earlygate.server;

import static earlygate.quantity.Si.BAR;
import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Effort;
import earlygate.fixture.Units;
import earlygate.rig.Rig;
import earlygate.rig.Roughness;
import earlygate.rig.Standing;
import earlygate.unit.PowerUnit;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Runs on the practice rig over HTTP, what is said held against the machine. A run's number is its machine's seed, so that
 * each test has a server of its own. (The other demo units are walked on it from the browser.)
 */
class PracticeRigTest {
    private static final List<String> DEMO = List.of("FB-02", "SW-03", "WD-05");
    private static final List<String> FEW = List.of("05-crossport-needles", "12-accu-vented-relief");
    private static final List<String> ALL = Stream.concat(
                    FEW.stream(),
                    Stream.of(
                            "01-ball-valve-deadhead",
                            "04-dc-12v",
                            "10-accu-two-reliefs",
                            "15-ls-needle",
                            "22-clamp-sequence"))
            .toList();

    @TempDir
    Path data;

    private Server server;

    @BeforeEach
    void start() {
        server = new Server(data);
    }

    @AfterEach
    void stop() {
        server.close();
    }

    private static ObjectNode start(String tag) {
        return object().put("tag", tag).put("technician", "A. Marsh");
    }

    /**
     * The demo units that the browser does not walk, and circuits that others drew: cross-port reliefs, an accumulator
     * with a vent; under {@code --long} also a ball valve for a load, a pack for 12 V, an accumulator with a relief on
     * either side, a load-sense pump and a sequence valve. Two at a time: no machine touches another.
     */
    @Test
    void soundMachinesAreCommissionedAsTheyTrulyStand() {
        Map<String, PowerUnit> units = new LinkedHashMap<>();
        DEMO.forEach(tag -> units.put(tag, Units.demo(tag)));
        for (String name : Effort.LONG ? ALL : FEW) {
            ObjectNode unit = Units.strangerDocument(name);
            assertThat(server.post("/api/units", unit).status()).isEqualTo(201);
            units.put(unit.get("tag").asString(), Units.stranger(name));
        }
        ExecutorService people = Executors.newFixedThreadPool(2);
        List<OnTheRig> walkers = units.keySet().stream()
                .map(tag -> new OnTheRig(server, start(tag)))
                .toList();
        Map<OnTheRig, CompletableFuture<JsonNode>> walks = new LinkedHashMap<>();
        walkers.forEach(w -> walks.put(w, CompletableFuture.supplyAsync(w::walk, people)));
        walks.forEach((walker, walk) -> {
            JsonNode record = walk.join();
            Certified.accepted(record);
            PowerUnit unit = units.get(record.get("tag").asString());
            Certified.truly(unit, record, Certified.left(server, unit, walker.run));
        });
        people.shutdown();
    }

    /** Marked while the gauge stands: nothing is cut short by it. */
    private void earThatIsWrong(OnTheRig rig, String step) {
        JsonNode view =
                server.event(rig.run, "tap-crack", object().put("step", step)).json();
        assertThat(view.at("/readings/0/grade").asString()).isEqualTo("cannot-tell");
        assertThat(view.at("/readings/0/message").asString()).contains("G1 has not fallen since");
        assertThat(view.at("/advice/text").asString()).contains("back it out further");
        assertThat(server.event(rig.run, "step-done", object().put("step", step))
                        .status())
                .isEqualTo(409);
    }

    /** The hidden relief is known to whoever marks the practice: the product says where it stands, from gauge and current. */
    @Test
    void aCrackIsToldWithWhereTheReliefStands() {
        OnTheRig rig = new OnTheRig(server, start("LG-07").put("school", "lead-with-pump"));
        rig.walkTo("Back RV1 out until it just cracks");
        rig.nut("RV1", false);
        String step = rig.view.at("/step/id").asString();
        for (int i = 0; i < 60 && rig.view.at("/crack/foundBar").isMissingNode(); i++) {
            double next = rig.view.at("/advice/turns").asDouble();
            assertThat(next).isNegative();
            if (i == 5) {
                earThatIsWrong(rig, step);
            }
            rig.turn("RV1", next);
            assertThat(rig.live().at("/wrong/0").asString())
                    .as("each turn is waited out")
                    .contains("leave RV1 alone");
            rig.found(step);
        }
        JsonNode crack = rig.view.get("crack");
        assertThat(crack.get("foundBar").asDouble()).isCloseTo(176, within(4.0));
        assertThat(crack.get("tappedBar").asDouble()).as("kept beside it").isCloseTo(176, within(4.0));
        PowerUnit unit = Units.demo("LG-07");
        Rig hidden = new Rig(unit, 7 * rig.run, Roughness.WORKSHOP);
        double turns = rig.live().at("/screws/RV1/turns").asDouble();
        hidden.restore(Certified.standing(hidden, Map.of("RV1", new Standing.ScrewStanding(turns, true, 0.0))), false);
        double truth = hidden.trueSetting("RV1") / BAR;
        // The gauge's own error is in it, and a wandering spring.
        assertThat(crack.get("standsBar").asDouble()).isCloseTo(truth, within(0.02 * truth));
        assertThat(crack.get("standsLowBar").asDouble())
                .isLessThan(crack.get("standsBar").asDouble());
    }

    /** What is to be read ten seconds after the stop: when it is due, and from the pressure it was to begin with. */
    @Test
    void whatIsHeldIsReadWhenDueAndABadStartLeadsBack() {
        OnTheRig pack = new OnTheRig(server, start("PL-01"));
        pack.walkTo("Stop M1 and read G1 again after 10 s");
        String held = pack.view.at("/step/id").asString();
        pack.rig("stop", "M1", 0, "");
        pack.rig("pass", "", 300, "");
        pack.rig("pass", "", 300, "");
        assertThat(grade(pack, held))
                .as("long after, it is still the one of ten seconds")
                .isEqualTo("pass");

        // Run up against an open load: nothing was pumped up that could be held.
        pack.rig("open", "TV1", 1, "");
        pack.rig("start", "M1", 0, "");
        pack.rig("stop", "M1", 0, "");
        pack.rig("open", "TV1", 0, "");
        pack.rig("pass", "", 20, "");
        assertThat(grade(pack, held)).isEqualTo("fail");
        assertThat(pack.view.at("/wayBack/action").asString()).startsWith("Run it up with every way out shut");
        pack.goBack();
        assertThat(pack.walk().get("outcome").asString()).isEqualTo("passed");
        aLockedMachineStandsStill(pack.run);
    }

    private String grade(OnTheRig pack, String step) {
        pack.view = server.event(
                        pack.run, "live-reading", object().put("step", step).put("instrument", "G1"))
                .json();
        return pack.view.at("/readings/0/grade").asString();
    }

    /** A machine that goes on moving after its record was locked writes nothing into it. */
    private void aLockedMachineStandsStill(long run) {
        server.event(run, "signed", object().put("note", "technician").put("text", "A. Marsh"));
        server.event(run, "signed", object().put("note", "witness").put("text", "B. Sluys"));
        long seq = server.run(run).get("seq").asLong();
        Server.Answer refused = server.post(
                "/api/runs/" + run + "/rig", object().put("action", "start").put("target", "M1"));
        assertThat(refused.problem()).contains("the record is locked");
        assertThat(server.run(run).get("seq").asLong()).isEqualTo(seq);
    }
}
