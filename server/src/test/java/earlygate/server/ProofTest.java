package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import earlygate.fixture.Effort;
import earlygate.server.records.ProveCommand;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.StreamSupport;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An exported record proved whole, and changed by a hand that knows what it wants. */
class ProofTest {
    private static final Server server = Finished.SERVER;

    private static final int RESEALED = Effort.of("resealed", 40, 2000);
    private static final List<String> HOSTILE = List.of(
            "null",
            "{}",
            "[]",
            "{\"kind\":\"reading\"}",
            "{\"kind\":\"signed\"}",
            "{\"kind\":\"cracked\",\"setting\":\"RV1\"}",
            "{\"kind\":\"handled\"}",
            "/entries [null]",
            "/entries [{}]",
            "/head/plan \"null\"",
            "/head/plan \"{}\"",
            "/head/plan \"{\\\"phases\\\":[null]}\"",
            "/unit/testPoints null",
            "/unit/components [null]",
            "/record null");

    private static ObjectNode file() {
        return (ObjectNode) Server.JSON.readTree(Finished.PROOF);
    }

    @Test
    void whatWasExportedIsWhole() {
        JsonNode said = server.post("/api/prove", file()).json();
        assertThat(said.get("whole").asBoolean()).as(said.toString()).isTrue();
        assertThat(said.get("sheetSealed").asBoolean()).isFalse();
        assertThat(said.get("seal").asString())
                .isEqualTo(file().get("seal").asString())
                .hasSize(64);
        assertThat(said.get("technician").asString()).isEqualTo("A. Marsh");
    }

    @Test
    void andByTheCommandWithoutAServer(@TempDir Path folder) throws IOException {
        Path file = Files.writeString(folder.resolve("record.json"), Finished.PROOF);
        assertThat(ProveCommand.run(List.of("record-prove", file.toString()))).isEqualTo(Optional.of(0));
        Files.writeString(file, Finished.PROOF.replace("A. Marsh", "B. Marsh"));
        assertThat(ProveCommand.run(List.of("record-prove", file.toString()))).isEqualTo(Optional.of(1));
        assertThat(ProveCommand.run(List.of("something-else"))).isEmpty();
    }

    /** A setting made better, its log left alone; and the log made better, its hash left alone. */
    @ParameterizedTest
    @CsvSource({
        "/record/settings/0, asLeftBar, 160, record.settings[0].asLeftBar",
        "/record, outcome, '\"passed-with-deviations\"', record.outcome",
        "/record/log/3, by, '\"somebody\"', record.log[3].by",
        "/entries/20, body, '\"{}\"', entries[20]",
        "/entries/20, at, '\"2020-01-01T00:00:00Z\"', entries[20]",
        "/entries/20, seq, 99, entries[20]",
        "/head, technician, '\"B. Marsh\"', head",
        "/unit, tag, '\"XX-99\"', unit.tag",
        "/record, edition, 1, record.edition",
        "/record, edition, 9, record.edition",
        "'', seal, '\"00\"', seal",
        "'', format, '\"early-gate/proof/7\"', format",
        "'', format, '\"early-gate/unit/1\"', format",
    })
    void aChangeIsNamedByItsPlace(String at, String key, String to, String place) {
        ObjectNode file = file();
        ((ObjectNode) file.at(at)).set(key, Server.JSON.readTree(to));
        JsonNode said = server.post("/api/prove", file).json();
        assertThat(said.get("whole").asBoolean()).isFalse();
        assertThat(said.get("place").asString()).isEqualTo(place);
        assertThat(said.get("said").asString()).isNotBlank();
    }

    /**
     * Kept of every edition and of units with sections, load sense, reducing valves and a relief that was cracked. The first
     * ones said readings step by step, and had no vents, no levers and no second speed.
     */
    @ParameterizedTest
    @CsvSource({
        "PL-01-edition-1, true",
        "WD-05-edition-2, true",
        "PL-01-edition-3, true",
        "PL-01-edition-4, false",
        "LG-07-edition-4, false",
        "NH-04-edition-4, false",
        "SW-03-edition-4, false"
    })
    void whatAnyEditionExportedIsWhole(String proof, boolean computedOtherwise) throws IOException {
        JsonNode said = server.post("/api/prove", kept(proof)).json();
        assertThat(said.get("whole").asBoolean()).as(said.toString()).isTrue();
        assertThat(said.get("earlier").asBoolean()).isEqualTo(computedOtherwise);
    }

    /** The words of each sentence in it may have been others. */
    @ParameterizedTest
    @ValueSource(strings = {"LG-07-edition-4", "NH-04-edition-4", "SW-03-edition-4"})
    void anotherWordingIsNoHandsWork(String proof) throws IOException {
        ObjectNode file = kept(proof);
        int said = 0;
        for (String key : List.of("why", "defined", "asFoundFrom", "action", "phase", "name", "label", "text")) {
            for (JsonNode parent : file.get("record").findParents(key)) {
                if (parent.get(key).isString() && !parent.has("topBar") && !parent.has("bar")) {
                    ((ObjectNode) parent).put(key, "Said otherwise.");
                    said++;
                }
            }
        }
        for (JsonNode parent : file.get("record").findParents("said")) {
            ((ObjectNode) parent).putArray("said").add("Said otherwise.");
        }
        assertThat(said).isGreaterThan(100);
        JsonNode answer = server.post("/api/prove", file).json();
        assertThat(answer.get("whole").asBoolean()).as(answer.toString()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "/record/settings/0, verdict, '\"fail\"', record.settings[0].verdict",
        "/record/settings/1, asLeftBar, 12, record.settings[1].asLeftBar",
        "/record/tests/0, value, 12, record.tests[0].value",
        "/record/tests/0, high, 999, record.tests[0].high",
        "/record/verified/0, verdict, '\"fail\"', record.verified[0].verdict",
        "/record/verified/0/readings/0, expected, 1, record.verified[0].readings[0].expected",
        "/record/staffs/0/flags/0, bar, 1, record.staffs[0].flags[0].bar",
        "/record/taken/0, value, 12, record.taken[0].value",
        "/record, outcome, '\"passed-with-deviations\"', record.outcome"
    })
    void aFigureOrACodeOfAnEarlierEditionIsHeldToItsLog(String at, String key, String to, String place)
            throws IOException {
        ObjectNode file = kept("NH-04-edition-4");
        ((ObjectNode) file.at(at)).set(key, Server.JSON.readTree(to));
        JsonNode said = server.post("/api/prove", file).json();
        assertThat(said.get("whole").asBoolean()).isFalse();
        assertThat(said.get("place").asString()).isEqualTo(place);
    }

    /** A record that calls itself older than it is may not leave anything out by that. */
    @ParameterizedTest
    @ValueSource(strings = {"deviations", "outcome", "settings", "verified", "tests", "log", "signed"})
    void whatIsLeftOutIsMissed(String key) throws IOException {
        ObjectNode file = kept("NH-04-edition-4");
        file.withObject("/record").remove(key);
        assertThat(server.post("/api/prove", file).json().get("place").asString())
                .startsWith("record." + key);
    }

    @Test
    void anEarlierEditionHasNotTheFieldsOfThisOne() throws IOException {
        ObjectNode file = kept("PL-01-edition-1");
        file.withObject("/record").put("edition", 5);
        assertThat(server.post("/api/prove", file).json().get("whole").asBoolean())
                .isFalse();
        ObjectNode more = file();
        more.withObject("/record").put("approved", true);
        assertThat(server.post("/api/prove", more).json().get("place").asString())
                .isEqualTo("record");
    }

    private static ObjectNode kept(String proof) throws IOException {
        return KeptFiles.read("proofs/" + proof);
    }

    /** What is not compared is not believed: a pump's efficiency that somebody wrote into it comes to nothing. */
    @Test
    void whatIsNotComparedIsNotBelieved() throws IOException {
        ObjectNode file = kept("PL-01-edition-1");
        file.withObject("/record")
                .withArray("curves")
                .addObject()
                .put("subject", "P1")
                .put("verdict", "pass")
                .putObject("fit")
                .put("doubt", 0.01)
                .putObject("parameters")
                .putObject("volumetricEfficiency")
                .put("value", 0.99);
        assertThat(server.post("/api/prove", file).json().get("whole").asBoolean())
                .isTrue();
        JsonNode taken = server.post("/api/units/PL-01/older-records/read", object().put("file", file.toString()))
                .json();
        assertThat(taken.at("/record/source").asString()).isEqualTo("proved-record");
        assertThat(taken.at("/record/settings")).hasSize(1);
        assertThat(taken.at("/record/pumps")).isEmpty();
        ((ObjectNode) file.at("/record/settings/0")).put("asLeftBar", 160);
        assertThat(server.post("/api/prove", file).json().get("place").asString())
                .isEqualTo("record.settings[0].asLeftBar");
    }

    /** A drawing that any reader of SVG can read: each point that was taken is on it. */
    @Test
    void aCurveOfTheRecordIsAFileOfItsOwn() throws Exception {
        JsonNode record = file().get("record");
        JsonNode curve = record.get("curves").get(0);
        String run = "/api/runs/" + record.get("run").asLong() + "/curves/";
        Server.Answer svg = server.get(run + curve.get("step").asString() + ".svg");
        assertThat(svg.contentType()).startsWith("image/svg+xml");
        var drawn =
                DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(svg.bytes()));
        assertThat(drawn.getDocumentElement().getTagName()).isEqualTo("svg");
        long out = StreamSupport.stream(curve.get("points").spliterator(), false)
                .filter(p -> p.get("leftOut").isString())
                .count();
        assertThat(drawn.getElementsByTagName("circle").getLength() + out)
                .isEqualTo(curve.get("points").size());
        assertThat(svg.text()).doesNotContain("Body");
        assertThat(server.get(run + "s999.svg").status()).isEqualTo(404);
    }

    @Test
    void whatIsCutOffIsMissed() {
        ObjectNode file = file();
        ArrayNode entries = (ArrayNode) file.get("entries");
        entries.remove(entries.size() - 1);
        assertThat(server.post("/api/prove", file).json().get("place").asString())
                .isEqualTo("seal");
        entries.remove(10);
        assertThat(server.post("/api/prove", file).json().get("place").asString())
                .isEqualTo("entries[10]");
    }

    /**
     * Whoever can compute the hashes can put anything into a proof: what is no log, no plan or no sheet of ours is said to
     * be none, in one line.
     */
    @Test
    void whatAHandSealedAnewIsAnsweredInOneLine(@TempDir Path folder) throws IOException {
        Random random = new Random(3);
        for (int i = 0; i < RESEALED; i++) {
            ObjectNode file = file();
            String what = i < HOSTILE.size() ? hostile(file, HOSTILE.get(i)) : spoilt(file, random);
            resealed(file);
            Server.Answer answer = server.post("/api/prove", file);
            assertThat(answer.status()).as(what).isEqualTo(200);
            if (answer.json().get("whole").asBoolean()) {
                continue;
            }
            assertThat(answer.json().get("said").asString()).as(what).isNotBlank();
            ByteArrayOutputStream said = new ByteArrayOutputStream();
            Path written = Files.writeString(folder.resolve("hostile.json"), file.toString());
            assertThat(ProveCommand.run(List.of("record-prove", written.toString()), System.out, new PrintStream(said)))
                    .contains(1);
            assertThat(said.toString().lines()).as(what).singleElement(STRING).startsWith("early-gate: ");
        }
    }

    /** An entry's body, or where and what it is put instead. */
    private static String hostile(ObjectNode file, String what) {
        if (what.startsWith("/")) {
            String[] put = what.split(" ", 2);
            String parent = put[0].substring(0, put[0].lastIndexOf('/'));
            ((ObjectNode) file.at(parent)).set(put[0].substring(parent.length() + 1), Server.JSON.readTree(put[1]));
        } else {
            ((ObjectNode) file.at("/entries/5")).put("body", what);
        }
        return what;
    }

    /** Something somewhere in a body, the plan or the sheet is another thing, or gone. */
    private static String spoilt(ObjectNode file, Random random) {
        ArrayNode entries = (ArrayNode) file.get("entries");
        ObjectNode entry = (ObjectNode) entries.get(random.nextInt(entries.size()));
        int which = random.nextInt(3);
        JsonNode inside = which == 0
                ? Server.JSON.readTree(entry.get("body").asString())
                : which == 1 ? Server.JSON.readTree(file.at("/head/plan").asString()) : file.get("unit");
        List<ObjectNode> objects = new ArrayList<>(
                inside.findParents("kind").stream().map(ObjectNode.class::cast).toList());
        objects.addAll(
                inside.findParents("id").stream().map(ObjectNode.class::cast).toList());
        ObjectNode spoilt = objects.get(random.nextInt(objects.size()));
        List<String> keys = List.copyOf(spoilt.propertyNames());
        String key = keys.get(random.nextInt(keys.size()));
        String to =
                List.of("null", "[]", "{}", "-1", "\"x\"", "[null]", "1e308").get(random.nextInt(7));
        spoilt.set(key, Server.JSON.readTree(to));
        if (which == 0) {
            entry.put("body", inside.toString());
        } else if (which == 1) {
            file.withObject("/head").put("plan", inside.toString());
        }
        return key + " " + to + " in "
                + List.of(entry.get("body").asString(), "plan", "unit").get(which);
    }

    /** By the formula of docs/formats.md. */
    private static void resealed(ObjectNode file) {
        JsonNode h = file.get("head");
        ArrayNode first = Server.JSON.createArrayNode();
        for (String key : List.of(
                "uuid",
                "tag",
                "revision",
                "plan",
                "gapSchool",
                "sectionOrder",
                "technician",
                "practice",
                "startedAt")) {
            first.add(h.get(key));
        }
        String last = Server.sha256(first.toString());
        for (JsonNode e : file.get("entries")) {
            if (e.isObject()) {
                ArrayNode of = Server.JSON.createArrayNode().add(last);
                of.add(h.get("uuid"))
                        .add(e.get("seq"))
                        .add(e.get("at"))
                        .add(e.get("by"))
                        .add(e.get("key"))
                        .add(e.get("body"));
                last = Server.sha256(of.toString());
                ((ObjectNode) e).put("hash", last);
            }
        }
        file.put("seal", last);
    }

    @Test
    void anyOtherFileIsRefusedInWords() {
        for (String body : new String[] {"{}", "[]", "{\"format\":\"early-gate/proof/1\"}", "null", "{\"format\":3}"}) {
            Server.Answer answer = server.post("/api/prove", Server.JSON.readTree(body));
            assertThat(answer.status()).as(body).isEqualTo(200);
            assertThat(answer.json().get("whole").asBoolean()).isFalse();
            assertThat(answer.json().get("said").asString()).isNotBlank();
        }
    }
}
