package earlygate.server.records;

import earlygate.explain.Reason;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * An exported record against what its log comes to now, place by place. A record that an earlier edition wrote is held by
 * its figures alone: what was read, left and decided. Its sentences were said in other words then, and what is computed
 * from its readings may be computed better now.
 */
record Agreement(boolean earlier) {
    /** Names of gauges come from the register, which no log seals. */
    private static final String UNSEALED = "instrument";

    /** What an earlier edition may have said or worked out otherwise. */
    private static final Set<String> SAID = Set.of(
            "edition",
            "verified",
            "tests",
            "curves",
            "staffs",
            "log",
            "notes",
            "files",
            "phase",
            "action",
            "asFoundFrom",
            "asFoundHow",
            "defined",
            "why",
            "standsBar",
            "standsLowBar",
            "standsHighBar");

    record Difference(String place, Reason why) {}

    /** @return the first place at which the file is not what its log comes to */
    Optional<Difference> compare(String place, JsonNode is, JsonNode must) {
        if (must.isObject()) {
            return object(place, is, must);
        }
        if (must.isArray() && is.isArray()) {
            for (int i = 0; i < Math.max(is.size(), must.size()); i++) {
                Optional<Difference> differs = compare(place + "[" + i + "]", is.path(i), must.path(i));
                if (differs.isPresent()) {
                    return differs;
                }
            }
            return Optional.empty();
        }
        boolean same = is.isNumber() && must.isNumber()
                ? is.doubleValue() == must.doubleValue()
                : is.equals(must) || place.endsWith(".startedAt") && sameTime(is, must);
        return same ? Optional.empty() : different(place, is, must);
    }

    private Optional<Difference> object(String place, JsonNode is, JsonNode must) {
        for (Map.Entry<String, JsonNode> e : must.properties()) {
            String key = e.getKey();
            if (key.equals(UNSEALED) || earlier && SAID.contains(key)) {
                continue;
            }
            Optional<Difference> differs = compare(place + "." + key, is.path(key), e.getValue());
            if (differs.isPresent()) {
                return differs;
            }
        }
        return earlier || is.size() == must.size() ? Optional.empty() : different(place, is, must);
    }

    private static boolean sameTime(JsonNode is, JsonNode must) {
        return OffsetDateTime.parse(is.asString("")).isEqual(OffsetDateTime.parse(must.asString("")));
    }

    private static Optional<Difference> different(String place, JsonNode is, JsonNode must) {
        return Optional.of(new Difference(
                place, Reason.of("prove.differs").name("is", brief(is)).name("must", brief(must))));
    }

    private static String brief(JsonNode node) {
        String text = node.isMissingNode() ? "–" : node.toString();
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }
}
