package earlygate.server.journal;

import earlygate.explain.Reason;
import earlygate.run.RunEvent;
import earlygate.server.words.ApiProblem;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Events as they are stored: a kind, a version, and what the kind says. Every version ever written is read; a later one
 * than this edition knows is refused, never guessed at. docs/formats.md says what may change.
 */
public final class EventText {
    /** Of all kinds; those without one were written before versions were. */
    private static final int VERSION = 1;

    private final JsonMapper json;

    public EventText(JsonMapper json) {
        this.json = json;
    }

    String write(RunEvent.Body body) {
        ObjectNode text =
                (ObjectNode) json.readTree(json.writerFor(RunEvent.Body.class).writeValueAsString(body));
        return json.writeValueAsString(text.put("v", VERSION));
    }

    /** @throws ApiProblem 409 for an event of a later edition */
    public RunEvent.Body read(long runId, long seq, String text) {
        JsonNode body = json.readTree(text);
        if (body.path("v").asInt(VERSION) > VERSION) {
            throw ApiProblem.conflict(
                    "log",
                    Reason.of("runs.event-later")
                            .number("run", runId)
                            .number("seq", seq)
                            .number("version", body.path("v").asInt())
                            .number("known", VERSION));
        }
        return json.treeToValue(body, RunEvent.Body.class);
    }
}
