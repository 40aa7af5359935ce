package earlygate.server.journal;

import earlygate.explain.Reason;
import earlygate.plan.Plan;
import earlygate.server.words.ApiProblem;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A run's plan as it is stored. Every edition ever written is read; a later one is refused, never guessed at. */
final class PlanText {
    private final JsonMapper json;

    PlanText(JsonMapper json) {
        this.json = json;
    }

    String write(Plan plan) {
        return json.writeValueAsString(plan);
    }

    /** @throws ApiProblem 409 for a plan of a later edition */
    Plan read(long runId, String text) {
        // Before it is read: a later one may say what this one can't read.
        JsonNode plan = json.readTree(text);
        int edition = plan.path("edition").asInt(1);
        if (edition > Plan.EDITION) {
            throw ApiProblem.conflict(
                    "plan",
                    Reason.of("runs.plan-later")
                            .number("run", runId)
                            .number("version", edition)
                            .number("known", Plan.EDITION));
        }
        return json.treeToValue(plan, Plan.class);
    }
}
