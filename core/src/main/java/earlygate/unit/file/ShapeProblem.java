package earlygate.unit.file;

import com.networknt.schema.Error;
import earlygate.explain.Reason;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** A schema violation said in the file's own terms: path, value, and what would fit. */
public final class ShapeProblem {
    private ShapeProblem() {}

    public static Problem of(Error error) {
        String path = path(error.getInstanceLocation().toString());
        JsonNode found = error.getInstanceNode();
        JsonNode wanted = error.getSchemaNode();
        return switch (error.getKeyword()) {
            case "additionalProperties" ->
                new Problem(
                        join(path, error.getProperty()),
                        Reason.of("file.unknown-key").name("key", error.getProperty()));
            case "required" ->
                new Problem(
                        join(path, error.getProperty()),
                        Reason.of("file.missing-key").name("key", error.getProperty()));
            case "type" -> problem(path, "file.wrong-type", found, wanted.asString());
            case "enum" -> problem(path, "file.not-one-of", found, choices(wanted));
            case "const" -> problem(path, "file.not-one-of", found, wanted.asString());
            case "minimum" -> problem(path, "file.less-than", found, wanted.asString());
            case "exclusiveMinimum" -> problem(path, "file.not-more-than", found, wanted.asString());
            case "maximum" -> problem(path, "file.more-than", found, wanted.asString());
            case "minItems", "maxItems" -> problem(path, "file.wrong-count", found, wanted.asString());
            case "pattern" -> problem(path, "file.bad-name", found, "");
            default -> problem(path, "file.does-not-fit", found, error.getKeyword() + " " + wanted);
        };
    }

    private static Problem problem(String path, String code, JsonNode found, String fits) {
        return new Problem(path, Reason.of(code).name("value", shown(found)).name("fits", fits));
    }

    /** The value as the file has it, cut where it is long. */
    private static String shown(JsonNode found) {
        String text = found.toString();
        return text.length() > 60 ? text.substring(0, 57) + "..." : text;
    }

    private static String choices(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(JsonNode::asString)
                .collect(Collectors.joining(", "));
    }

    private static String join(String path, String key) {
        return path.isEmpty() ? key : path + "." + key;
    }

    /** {@code /components/1/driver} as {@code components[1].driver}. */
    private static String path(String pointer) {
        return pointer.replaceAll("/(\\d+)", "[$1]").replace('/', '.').replaceFirst("^\\.", "");
    }
}
