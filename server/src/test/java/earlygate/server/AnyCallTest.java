package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.server.Server.Answer;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every call of the contract with anything in it: what is bad is refused by name; no answer is the server's own failure,
 * and at the end everything that lists or shows still answers.
 *
 * <p>{@code -Dcalls=N} for another number of calls, {@code -Dseed=N} to begin elsewhere.
 */
class AnyCallTest {
    /** Of its own: units are removed and changed. */
    private static final Server server = Server.thrownAway();

    private static final int CALLS = Effort.of("calls", 300, 20_000);
    private static final List<String> NEVER =
            List.of("\tat ", "Exception", "\"message\":\"null\"", "java.", "org.spring");
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final String[] TEXTS = {
        "",
        " ",
        "LG-07",
        "NH-04",
        "P1",
        "M1",
        "RV1",
        "TV1",
        "G1",
        "s1",
        "OIL",
        "1",
        "-1",
        "0",
        "1e308",
        "1,5",
        "12.5",
        "null",
        "NaN",
        "true",
        "turn",
        "reading",
        "turned",
        "step-done",
        "hold-opened",
        "noted",
        "deviation",
        "struck",
        "live-reading",
        "open",
        "start",
        "lead-with-pump",
        "schematic",
        "fixed",
        "gauge",
        "bar",
        "psi",
        "oil",
        "2026-11-25",
        "+999999999-12-31",
        "<b>x</b>",
        "../../etc",
        "a;b",
        "\uD83D\uDE00",
        "x".repeat(500),
        "'; drop table run; --",
        "{constructor}",
        "\u0000"
    };

    private final Random random = new Random(Long.getLong("seed", 5));
    private final JsonNode contract = server.get("/api/openapi").json();

    private record Operation(String method, String path, JsonNode detail) {}

    @Test
    void nothingSentBreaksTheServer() {
        long practice = server.startRun(true);
        long typed = server.startRun(false);
        List<Operation> operations = operations();
        assertThat(operations).hasSizeGreaterThan(40);
        List<String> broken = new ArrayList<>();
        for (int sent = 0; sent < CALLS && broken.size() < 10; sent++) {
            Operation o = operations.get(sent % operations.size());
            String path = address(o, random.nextBoolean() ? practice : typed);
            String body = o.detail().has("requestBody") ? body(o) : null;
            Answer answer = body == null ? server.ask(o.method(), path) : server.ask(o.method(), path, body);
            boolean own = answer.status() >= 500
                    || answer.status() >= 400 && NEVER.stream().anyMatch(answer.text()::contains)
                    || answer.status() >= 400 && answer.problem().isBlank();
            if (own) {
                broken.add(o.method() + " " + path + " " + cut(body) + " -> " + answer.status() + " "
                        + cut(answer.text()));
            }
        }
        assertThat(broken).isEmpty();
        for (String still : List.of(
                "/api/units",
                "/api/instruments",
                "/api/runs?tag=LG-07",
                "/api/runs/" + practice,
                "/api/runs/" + typed,
                "/api/runs/" + typed + "/record",
                "/api/removed-units")) {
            assertThat(server.get(still).status()).as(still).isEqualTo(200);
        }
    }

    private static String cut(String text) {
        return text == null || text.length() < 400 ? text : text.substring(0, 400) + "...";
    }

    /** All but the live stream, which never ends, and the backup, which is no JSON. */
    private List<Operation> operations() {
        List<Operation> operations = new ArrayList<>();
        contract.get("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(o -> {
                    if (!path.getKey().endsWith("/live") && !path.getKey().equals("/api/backup")) {
                        operations.add(new Operation(
                                o.getKey().toUpperCase(java.util.Locale.ROOT), path.getKey(), o.getValue()));
                    }
                }));
        return operations;
    }

    private String address(Operation o, long run) {
        String path = o.path();
        StringBuilder query = new StringBuilder();
        for (JsonNode p : o.detail().path("parameters")) {
            String name = p.get("name").asString();
            String value = random.nextInt(3) > 0 ? likely(name, run) : encoded(text());
            if (p.get("in").asString().equals("path")) {
                path = path.replace("{" + name + "}", value.isEmpty() ? "x" : value);
            } else if (p.get("in").asString().equals("query") && random.nextInt(3) > 0) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(name)
                        .append("=")
                        .append(value);
            }
        }
        return path.replaceAll("\\{\\w+}", "LG-07") + query;
    }

    private String likely(String name, long run) {
        return switch (name) {
            case "tag" ->
                random.nextInt(8) == 0
                        ? "FUZZ-1"
                        : List.of("LG-07", "NH-04", "PL-01").get(random.nextInt(3));
            case "id" -> Long.toString(run);
            case "revision" -> "1";
            case "pressure" -> "psi";
            case "testPoint" -> "G1";
            default -> encoded(text());
        };
    }

    private String text() {
        return TEXTS[random.nextInt(TEXTS.length)];
    }

    private static String encoded(String text) {
        return java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8)
                .replace("+", "%20");
    }

    private String body(Operation o) {
        if (random.nextInt(40) == 0) {
            return List.of("", "{", "[]", "null", "\"\"", "{\"a\":1}").get(random.nextInt(6));
        }
        JsonNode schema = o.detail().at("/requestBody/content/application~1json/schema");
        return filled(schema, 0).toString();
    }

    /** A value of this shape, with something else in its place now and then. */
    private JsonNode filled(JsonNode schema, int depth) {
        if (random.nextInt(12) == 0) {
            return anything(depth);
        }
        JsonNode s =
                schema.has("$ref") ? contract.at(schema.get("$ref").asString().substring(1)) : schema;
        if (s.has("properties")) {
            ObjectNode object = NODES.objectNode();
            s.get("properties").properties().forEach(p -> {
                if (random.nextInt(5) > 0) {
                    object.set(p.getKey(), named(p.getKey(), p.getValue(), depth + 1));
                }
            });
            return object;
        }
        return switch (s.path("type").asString("object")) {
            case "array" -> {
                ArrayNode list = NODES.arrayNode();
                for (int i = random.nextInt(3); i > 0; i--) {
                    list.add(filled(s.path("items"), depth + 1));
                }
                yield list;
            }
            case "integer" -> NODES.numberNode(random.nextInt(5));
            case "number" -> NODES.numberNode(random.nextGaussian() * 10);
            case "boolean" -> NODES.booleanNode(random.nextBoolean());
            case "string" -> NODES.stringNode(text());
            default -> anything(depth);
        };
    }

    /** A sheet where a sheet belongs, with one of its values changed. */
    private JsonNode named(String name, JsonNode schema, int depth) {
        if ((name.equals("unit") || name.equals("document")) && random.nextInt(5) > 0) {
            ObjectNode unit = Server.unit();
            List<String> keys =
                    unit.propertyStream().map(java.util.Map.Entry::getKey).toList();
            if (random.nextBoolean()) {
                unit.set(keys.get(random.nextInt(keys.size())), anything(depth));
            }
            return unit;
        }
        return filled(schema, depth);
    }

    private JsonNode anything(int depth) {
        return switch (random.nextInt(depth > 4 ? 7 : 9)) {
            case 0 -> NODES.nullNode();
            case 1 -> NODES.numberNode(-1);
            case 2 -> NODES.numberNode(1e300);
            case 3 -> NODES.numberNode(Long.MAX_VALUE);
            case 4 -> NODES.booleanNode(true);
            case 5, 6 -> NODES.stringNode(text());
            case 7 -> NODES.arrayNode().add(anything(depth + 1)).addNull();
            default -> NODES.objectNode().set(text(), anything(depth + 1));
        };
    }
}
