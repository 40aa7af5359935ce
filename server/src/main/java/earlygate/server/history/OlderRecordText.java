package earlygate.server.history;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.history.OlderRecord.Source;
import earlygate.history.file.OlderRecordFile;
import earlygate.judge.Verdict.Grade;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.TypedNumber;
import earlygate.run.RunRecord.AsFound;
import earlygate.server.api.CsvTable;
import earlygate.server.api.Wire;
import earlygate.server.records.Prover;
import earlygate.server.words.ApiProblem;
import earlygate.unit.file.Problem;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Makes an older record of a file: an exported proof, which must be whole; a record's JSON; an older record as it is; or
 * a table. What a table doesn't say, the day and who did it, stays open.
 */
final class OlderRecordText {
    private static final String RECORD = "early-gate/record/1";
    private static final String OURS = "early-gate/(record|older-record)/\\d+";
    private static final String PROOFS = "early-gate/proof/\\d+";
    private static final List<String> NEEDED = List.of("setting", "unit");
    private static final List<String> COLUMNS =
            List.of("setting", "as found", "as left", "target", "tolerance", "unit", "reason");
    private static final Map<String, String> PRESSURES = Map.of(
            "as found", "asFoundBar", "as left", "asLeftBar", "target", "targetBar", "tolerance", "toleranceBar");
    private static final double LIMIT_BAR = 1000;

    private static final Set<String> TOLD = Set.of(Grade.PASS.key(), Grade.FAIL.key());

    private final JsonMapper json;

    OlderRecordText(JsonMapper json) {
        this.json = json;
    }

    /**
     * @param document an older record, as far as the file says it
     * @param uuid of the run that a proof is of; empty for others
     * @param ignored columns of a table that are not understood
     */
    record Taken(ObjectNode document, String uuid, List<String> ignored) {
        private Taken(ObjectNode document, String uuid) {
            this(document, uuid, List.of());
        }
    }

    /** @throws ApiProblem 422 that names what is wrong with the file, and where */
    Taken read(String text, String tag) {
        if (!text.strip().startsWith("{")) {
            return table(text, tag);
        }
        JsonNode file;
        try {
            file = json.readTree(text);
        } catch (JacksonException e) {
            throw noRecord();
        }
        String format = file.path("format").asString("");
        if (format.matches(PROOFS)) {
            Prover.Result proved = new Prover(json).prove(text);
            if (!proved.whole()) {
                throw proved.place().equals("format")
                        ? refused("format", proved.why())
                        : refused(
                                "file",
                                Reason.of("history.file.changed")
                                        .name("place", proved.place().isEmpty() ? "?" : proved.place())
                                        .said("why", proved.why()));
            }
            // By what its log comes to, not by what the file says: of an earlier edition's record not all is compared.
            return new Taken(
                    converted(proved.record(), Source.PROVED_RECORD),
                    file.at("/head/uuid").asString(""));
        }
        if (format.equals(RECORD)) {
            return new Taken(converted(file, Source.RECORD), "");
        }
        if (format.equals(OlderRecordFile.FORMAT)) {
            return new Taken((ObjectNode) file, "");
        }
        throw format.matches(OURS)
                ? refused(
                        "format",
                        Reason.of("history.file.later")
                                .name("format", format)
                                .name("known", RECORD + ", " + OlderRecordFile.FORMAT))
                : noRecord();
    }

    private static ApiProblem refused(String path, Reason why) {
        return ApiProblem.badInput(path, why);
    }

    private static ApiProblem noRecord() {
        return refused(
                "file",
                Reason.of("history.file.no-record")
                        .name("known", OlderRecordFile.FORMAT)
                        .name("columns", String.join(", ", COLUMNS)));
    }

    private ObjectNode empty(String tag, Source source) {
        ObjectNode document = json.createObjectNode();
        document.put("format", OlderRecordFile.FORMAT).put("tag", tag).put("source", source.key());
        document.putArray("settings");
        return document;
    }

    private ObjectNode converted(JsonNode record, Source source) {
        if (record.path("practice").asBoolean(false)) {
            throw refused("practice", Reason.of("history.file.practice"));
        }
        if (record.path("outcome").asString("").equals("unfinished")) {
            throw refused("outcome", Reason.of("history.file.unfinished"));
        }
        ObjectNode document = empty(record.path("tag").asString(""), source);
        document.put("on", day(record.path("startedAt").asString("")));
        document.put("by", record.path("technician").asString(""));
        for (JsonNode name : record.at("/signed/names")) {
            if (name.path("role").asString("").equals("witness")) {
                document.put("witness", name.path("name").asString(""));
            }
        }
        for (JsonNode s : record.path("settings")) {
            ObjectNode row = json.createObjectNode();
            row.put("setting", s.path("setting").asString(""));
            if (AsFound.known(s.path("asFoundHow").asString(""))) {
                copy(s, "asFoundBar", row);
            }
            copy(s, "asLeftBar", row);
            copy(s, "targetBar", row);
            copy(s, "toleranceBar", row);
            if (s.path("deviation").isString()) {
                row.put("reason", s.path("deviation").asString());
            }
            if (row.has("asFoundBar") || row.has("asLeftBar")) {
                document.withArray("settings").add(row);
            }
        }
        Map<String, ObjectNode> pumps = new LinkedHashMap<>();
        for (JsonNode c : record.path("curves")) {
            JsonNode found = c.at("/fit/parameters/volumetricEfficiency");
            // With all its doubt, and only where the record told it.
            boolean told = TOLD.contains(c.path("verdict").asString(""))
                    && c.at("/fit/doubt").isNumber();
            if (found.isObject() && told) {
                ObjectNode pump = json.createObjectNode();
                pump.put("pump", c.path("subject").asString(""));
                pump.put(
                        "volumetricEfficiency", Wire.rounded(found.path("value").asDouble(), 4));
                pump.put(
                        "plusMinus",
                        Math.max(1e-4, Wire.rounded(c.at("/fit/doubt").asDouble(), 4)));
                pumps.put(pump.path("pump").asString(), pump);
            }
        }
        if (!pumps.isEmpty()) {
            document.putArray("pumps").addAll(pumps.values());
        }
        return document;
    }

    private static void copy(JsonNode from, String key, ObjectNode to) {
        if (from.path(key).isNumber()) {
            to.set(key, from.path(key));
        }
    }

    private static String day(String instant) {
        try {
            return OffsetDateTime.parse(instant)
                    .atZoneSameInstant(ZoneId.systemDefault())
                    .toLocalDate()
                    .toString();
        } catch (java.time.DateTimeException e) {
            return instant;
        }
    }

    private Taken table(String text, String tag) {
        CsvTable.Reading reading = CsvTable.read(text, COLUMNS, NEEDED);
        if (reading instanceof CsvTable.Reading.Refused r) {
            throw refused("file", r.why());
        }
        ObjectNode document = empty(tag, Source.FIELD_SHEET);
        List<Problem> problems = new ArrayList<>();
        CsvTable.Reading.Read table = (CsvTable.Reading.Read) reading;
        if (table.rows().isEmpty()) {
            throw refused("file", Reason.of("history.file.no-rows"));
        }
        table.rows().forEach(r -> document.withArray("settings").add(row(r, problems)));
        if (!problems.isEmpty()) {
            throw ApiProblem.badInput("file.refused", problems);
        }
        return new Taken(document, "", table.ignored());
    }

    private ObjectNode row(CsvTable.Row from, List<Problem> problems) {
        ObjectNode row = json.createObjectNode();
        row.put("setting", from.cell("setting"));
        if (!from.cell("reason").isEmpty()) {
            row.put("reason", from.cell("reason"));
        }
        PressureUnit unit;
        try {
            unit = PressureUnit.of(from.cell("unit"));
        } catch (IllegalArgumentException e) {
            problems.add(
                    new Problem("line " + from.line(), Reason.of("bill.unit").name("value", from.cell("unit"))));
            return row;
        }
        for (String column : COLUMNS) {
            String cell = from.cell(column);
            if (cell.isEmpty() || !PRESSURES.containsKey(column)) {
                continue;
            }
            TypedNumber number = TypedNumber.parse(cell, unit.fromPa(LIMIT_BAR * BAR));
            if (number instanceof TypedNumber.Accepted a) {
                row.put(PRESSURES.get(column), Wire.rounded(unit.toPa(a.value()) / BAR, 3));
            } else if (number instanceof TypedNumber.Refused r) {
                problems.add(new Problem(
                        "line " + from.line() + ", " + column,
                        Reason.of("typed." + r.code())
                                .name("value", r.typed())
                                .name("unit", unit.label())
                                .name("instrument", from.cell("setting"))
                                .number("limit", Math.round(r.limit()))));
            }
        }
        return row;
    }
}
