package earlygate.unit.file;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import earlygate.explain.Reason;
import earlygate.unit.PowerUnit;
import java.io.InputStream;
import java.util.List;
import java.util.stream.Stream;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads the open unit file. All problems of a bad file are collected before anything is refused: first its shape
 * against the shipped JSON Schema, then the references and relations that a schema can't say.
 */
public final class UnitFile {
    public static final String SCHEMA = "/earlygate/unit/file/unit-1.schema.json";

    /** Keys of components that name a line. */
    public static final List<String> LINE_KEYS = List.of(
            "inlet",
            "outlet",
            "a",
            "b",
            "out",
            "pilot",
            "drain",
            "caseDrain",
            "supply",
            "return",
            "signal",
            "portA",
            "portB",
            "cap",
            "rod",
            "line");

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();
    private static final Schema SHAPE = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(schemaText());

    /** Either a unit or every reason why there is none. */
    public sealed interface Reading {
        record Read(PowerUnit unit, JsonNode document) implements Reading {}

        record Refused(List<Problem> problems) implements Reading {}
    }

    private UnitFile() {}

    public static Reading read(String text) {
        try {
            return read(JSON.readTree(text));
        } catch (JacksonException e) {
            return new Reading.Refused(List.of(new Problem(place(e), notJson(e))));
        }
    }

    public static Reading read(JsonNode document) {
        List<Problem> problems = Stream.concat(
                        SHAPE.validate(document).stream().map(ShapeProblem::of).distinct(),
                        References.check(document).stream())
                .toList();
        return problems.isEmpty()
                ? new Reading.Read(UnitReader.unit(document), document)
                : new Reading.Refused(problems);
    }

    /** The JSON Schema as shipped. */
    public static String schemaText() {
        try (InputStream in = UnitFile.class.getResourceAsStream(SCHEMA)) {
            return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static String place(JacksonException e) {
        return e.getLocation() == null
                ? ""
                : "line " + e.getLocation().getLineNr() + ", column "
                        + e.getLocation().getColumnNr();
    }

    private static Reason notJson(JacksonException e) {
        return Reason.of("file.not-json").name("detail", e.getOriginalMessage());
    }
}
