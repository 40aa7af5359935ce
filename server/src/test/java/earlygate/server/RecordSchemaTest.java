package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Who reads exported records by their schema is not surprised by one, and the schema says no to what is none. */
class RecordSchemaTest {
    private static final Server server = Finished.SERVER;

    private static final Path SHIPPED = Path.of("src/main/resources/schemas");
    private static final JsonNode proof = Server.JSON.readTree(Finished.PROOF);

    private static Schema shape(String name) {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(server.get("/api/" + name + "-schema").text());
    }

    static List<String> problems(String name, JsonNode document) {
        return shape(name).validate(document).stream().map(Object::toString).toList();
    }

    @ParameterizedTest
    @CsvSource({"record, RecordView", "proof, Proof"})
    void shippedIsWhatTheContractSays(String name, String root) throws IOException {
        JsonNode api = server.get("/api/openapi").json().at("/components/schemas");
        Map<String, JsonNode> parts = new TreeMap<>();
        ObjectNode made = object().put("$schema", "https://json-schema.org/draft/2020-12/schema");
        made.put("$id", "urn:early-gate:" + name + ":1");
        made.put("title", "Early Gate, " + name + " of a commissioning run");
        made.setAll((ObjectNode) strict(api, root, parts));
        ObjectNode defs = made.putObject("$defs");
        parts.forEach(defs::set);
        Path file = SHIPPED.resolve(name + "-1.schema.json");
        String text = Server.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(made);
        if (Boolean.getBoolean("api.write")) {
            Files.writeString(file, text + "\n");
        }
        assertThat(Server.JSON.readTree(Files.readString(file)))
                .as("out of date: run the server's tests with -Dapi.write=true")
                .isEqualTo(made);
    }

    /** A part of the contract with nothing beside what it names; what it doesn't promise may be null. */
    private static JsonNode strict(JsonNode api, String name, Map<String, JsonNode> parts) {
        JsonNode said = api.path(name);
        ObjectNode part = object().put("type", "object");
        ObjectNode properties = part.putObject("properties");
        List<String> always =
                said.path("required").valueStream().map(JsonNode::asString).toList();
        said.path("properties").properties().forEach(e -> {
            JsonNode value = valueOf(api, e.getValue(), parts);
            properties.set(e.getKey(), always.contains(e.getKey()) ? value : orNull(value));
        });
        ArrayNode required = part.putArray("required");
        always.forEach(required::add);
        part.put("additionalProperties", false);
        return part;
    }

    private static JsonNode orNull(JsonNode value) {
        ObjectNode either = object();
        either.putArray("anyOf").add(value).add(object().put("type", "null"));
        return either;
    }

    private static JsonNode valueOf(JsonNode api, JsonNode said, Map<String, JsonNode> parts) {
        if (said.has("$ref")) {
            String name = said.get("$ref").asString().replaceFirst(".*/", "");
            if (!parts.containsKey(name)) {
                parts.put(name, object());
                parts.put(name, strict(api, name, parts));
            }
            return object().put("$ref", "#/$defs/" + name);
        }
        if (said.path("type").asString("").equals("array")) {
            ObjectNode array = object().put("type", "array");
            array.set("items", valueOf(api, said.get("items"), parts));
            return array;
        }
        if (said.has("additionalProperties")) {
            ObjectNode map = object().put("type", "object");
            map.set("additionalProperties", valueOf(api, said.get("additionalProperties"), parts));
            return map;
        }
        ObjectNode plain = object();
        if (said.has("type")) {
            plain.put("type", said.get("type").asString());
        }
        if (said.path("format").asString("").equals("date-time")) {
            plain.put("format", "date-time");
        }
        return plain;
    }

    @Test
    void whatIsExportedFits() {
        assertThat(problems("proof", proof)).isEmpty();
        assertThat(problems("record", proof.get("record"))).isEmpty();
        // Typed by can and clock, 0.05 L in 2 s, and left out.
        JsonNode slip = proof.at("/record/curves/0/points/0");
        assertThat(slip.get("leftOut").asString()).contains("wrong scale");
        assertThat(slip.get("lpm").asDouble()).isEqualTo(1.5);
    }

    /** Also one that is hardly begun: nothing left, nothing signed. */
    @ParameterizedTest
    @CsvSource({"NH-04", "BP-11", "PL-01"})
    void anUnfinishedOneToo(String tag) {
        long run = server.startRun(tag, false);
        assertThat(problems(
                        "record",
                        server.get("/api/runs/" + run + "/record.json").json()))
                .isEmpty();
        assertThat(problems(
                        "proof", server.get("/api/runs/" + run + "/proof.json").json()))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "'', outcome, 7",
        "/settings/0, asLeftBar, '\"160\"'",
        "/settings/0, invented, 1",
        "/taken/0, at, null",
        "/signed, locked, '\"yes\"'",
    })
    void whatIsNoneDoesNot(String at, String key, String to) {
        ObjectNode record = (ObjectNode) proof.get("record").deepCopy();
        ((ObjectNode) record.at(at)).set(key, Server.JSON.readTree(to));
        assertThat(problems("record", record)).isNotEmpty();
        ObjectNode without = (ObjectNode) proof.get("record").deepCopy();
        without.remove("settings");
        assertThat(problems("record", without)).isNotEmpty();
    }
}
