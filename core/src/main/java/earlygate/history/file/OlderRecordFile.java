package earlygate.history.file;

import static earlygate.quantity.Si.BAR;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import earlygate.explain.Reason;
import earlygate.history.OlderRecord;
import earlygate.history.OlderRecord.Efficiency;
import earlygate.history.OlderRecord.Row;
import earlygate.history.OlderRecord.Source;
import earlygate.quantity.Keyed;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import earlygate.unit.file.Problem;
import earlygate.unit.file.ShapeProblem;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** Reads an older record; every problem of a bad one is told at once. */
public final class OlderRecordFile {
    public static final String FORMAT = "early-gate/older-record/1";

    private static final String SCHEMA = "/earlygate/history/file/older-record-1.schema.json";
    private static final Schema SHAPE = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(schemaText());
    private static final LocalDate EARLIEST = LocalDate.of(1900, 1, 1);

    private OlderRecordFile() {}

    /** Either a record or every reason why there is none. */
    public sealed interface Reading {
        record Read(OlderRecord record) implements Reading {}

        record Refused(List<Problem> problems) implements Reading {}
    }

    /** The JSON Schema as shipped. */
    public static String schemaText() {
        try (InputStream in = OlderRecordFile.class.getResourceAsStream(SCHEMA)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @param unit whose record it must be; {@code today} the last day that can have been */
    public static Reading read(JsonNode document, PowerUnit unit, LocalDate today) {
        List<Problem> problems = new ArrayList<>(SHAPE.validate(document).stream()
                .map(ShapeProblem::of)
                .distinct()
                .toList());
        if (problems.isEmpty()) {
            problems.addAll(against(document, unit, today));
        }
        return problems.isEmpty() ? new Reading.Read(record(document)) : new Reading.Refused(problems);
    }

    /** One that was read before, against the sheet of its day: its shape alone is relied on. */
    public static OlderRecord kept(JsonNode document) {
        return record(document);
    }

    private static List<Problem> against(JsonNode document, PowerUnit unit, LocalDate today) {
        List<Problem> problems = new ArrayList<>();
        String tag = document.path("tag").asString();
        if (!tag.equals(unit.tag())) {
            problems.add(new Problem(
                    "tag", Reason.of("history.file.other-unit").name("is", tag).name("must", unit.tag())));
        }
        day(document.path("on").asString(), today).ifPresent(problems::add);
        List<String> settings = unit.settings().stream()
                .filter(Setting::isPressure)
                .map(Setting::id)
                .toList();
        Set<String> seen = new HashSet<>();
        List<JsonNode> rows = list(document, "settings");
        for (int i = 0; i < rows.size(); i++) {
            String at = "settings[" + i + "]";
            name(rows.get(i), "setting", at, settings, seen).ifPresent(problems::add);
            if (!rows.get(i).has("asFoundBar") && !rows.get(i).has("asLeftBar")) {
                problems.add(new Problem(at, Reason.of("history.file.empty-row")));
            }
        }
        List<String> pumps = unit.components().stream()
                .filter(Pump.class::isInstance)
                .map(c -> c.id())
                .toList();
        List<JsonNode> measured = list(document, "pumps");
        for (int i = 0; i < measured.size(); i++) {
            name(measured.get(i), "pump", "pumps[" + i + "]", pumps, seen).ifPresent(problems::add);
        }
        return problems;
    }

    private static Optional<Problem> day(String on, LocalDate today) {
        try {
            LocalDate day = LocalDate.parse(on);
            if (!day.isAfter(today) && !day.isBefore(EARLIEST)) {
                return Optional.empty();
            }
        } catch (DateTimeException e) {
            // Told below, as a day that can't be.
        }
        return Optional.of(new Problem(
                "on", Reason.of("history.file.day").name("value", on).name("today", today.toString())));
    }

    private static Optional<Problem> name(JsonNode row, String key, String at, List<String> known, Set<String> seen) {
        String name = row.path(key).asString();
        if (!known.contains(name)) {
            return Optional.of(new Problem(
                    at + "." + key,
                    Reason.of("history.file.unknown-" + key).name("id", name).name("known", String.join(", ", known))));
        }
        return seen.add(name)
                ? Optional.empty()
                : Optional.of(new Problem(
                        at + "." + key, Reason.of("history.file.twice").name("id", name)));
    }

    private static OlderRecord record(JsonNode document) {
        return new OlderRecord(
                document.path("tag").asString(),
                LocalDate.parse(document.path("on").asString()),
                document.path("by").asString(),
                text(document, "witness"),
                document.has("source")
                        ? Keyed.of(Source.class, document.path("source").asString())
                        : Source.RECORD,
                text(document, "remark"),
                number(document, "hours", 1),
                list(document, "settings").stream().map(OlderRecordFile::row).toList(),
                list(document, "pumps").stream()
                        .map(p -> new Efficiency(
                                p.path("pump").asString(),
                                p.path("volumetricEfficiency").asDouble(),
                                p.path("plusMinus").asDouble()))
                        .toList());
    }

    private static Row row(JsonNode row) {
        return new Row(
                row.path("setting").asString(),
                number(row, "asFoundBar", BAR),
                number(row, "asLeftBar", BAR),
                number(row, "targetBar", BAR),
                number(row, "toleranceBar", BAR),
                number(row, "gaugeErrorBar", BAR),
                text(row, "reason"));
    }

    private static List<JsonNode> list(JsonNode document, String key) {
        return StreamSupport.stream(document.path(key).spliterator(), false).toList();
    }

    private static OptionalDouble number(JsonNode node, String key, double scale) {
        return node.has(key) ? OptionalDouble.of(node.path(key).asDouble() * scale) : OptionalDouble.empty();
    }

    private static Optional<String> text(JsonNode node, String key) {
        return Optional.of(node.path(key).asString("")).map(String::strip).filter(t -> !t.isEmpty());
    }
}
