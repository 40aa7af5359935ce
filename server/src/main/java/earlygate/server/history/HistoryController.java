package earlygate.server.history;

import earlygate.explain.Reason;
import earlygate.history.OlderRecord;
import earlygate.history.file.OlderRecordFile;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.store.OnceKey;
import earlygate.server.store.WallClock;
import earlygate.server.units.UnitStore;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.unit.PowerUnit;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A unit's history, and the older records that are put into it. */
@RestController
@RequestMapping("/api")
class HistoryController {
    private final Histories histories;
    private final OlderRecords older;
    private final UnitStore units;
    private final OlderRecordText text;
    private final WallClock clock;

    HistoryController(Histories histories, OlderRecords older, UnitStore units, JsonMapper json, WallClock clock) {
        this.histories = histories;
        this.older = older;
        this.units = units;
        this.text = new OlderRecordText(json);
        this.clock = clock;
    }

    /** @param file to the letter, as it was exported or as a spreadsheet wrote it */
    record FileRequest(String file) {}

    /**
     * What a file holds, to be looked over before it is kept.
     *
     * @param record an older record with open places
     * @param ignored columns of a table of which nothing is taken
     */
    record FileView(@Schema(implementation = Object.class) JsonNode record, List<String> ignored) {}

    /**
     * @param record early-gate/older-record/1
     * @param typedBy who puts it in, today
     * @param file the exported proof that it was read from; null for what was typed or carries no proof
     */
    record OlderRequest(
            @Schema(implementation = Object.class) JsonNode record, String typedBy, String file) {}

    @GetMapping("/units/{tag}/history")
    HistoryView history(@PathVariable String tag, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return histories.of(tag, Words.in(pressure));
    }

    @GetMapping(value = "/older-record-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        return OlderRecordFile.schemaText();
    }

    /** Reads a file; nothing is kept. */
    @PostMapping("/units/{tag}/older-records/read")
    FileView read(@PathVariable String tag, @RequestBody FileRequest request) {
        units.known(tag);
        OlderRecordText.Taken taken = taken(tag, Input.required("file", request.file()));
        return new FileView(taken.document(), taken.ignored());
    }

    /** Of this unit, and of no run that stands here anyway. */
    private OlderRecordText.Taken taken(String tag, String file) {
        OlderRecordText.Taken taken = text.read(file, tag);
        String is = taken.document().path("tag").asString("");
        if (!is.equals(tag)) {
            throw ApiProblem.badInput(
                    "tag", Reason.of("history.file.other-unit").name("is", is).name("must", tag));
        }
        older.runHere(taken.uuid()).ifPresent(run -> {
            throw ApiProblem.conflict("file", Reason.of("history.run-here").number("run", run));
        });
        return taken;
    }

    @PostMapping("/units/{tag}/older-records")
    @ResponseStatus(HttpStatus.CREATED)
    HistoryView add(
            @PathVariable String tag,
            @RequestBody OlderRequest request,
            @RequestHeader(name = OnceKey.HEADER, required = false) String key,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unitText(units.newest(tag).document()).unit();
        JsonNode given = Input.orEmpty(request.record());
        JsonNode document = request.file() == null ? given : proved(tag, request.file(), given);
        OlderRecordFile.Reading reading = OlderRecordFile.read(document, unit, clock.today());
        if (reading instanceof OlderRecordFile.Reading.Refused refused) {
            throw ApiProblem.badInput("file.refused", refused.problems());
        }
        OlderRecord record = ((OlderRecordFile.Reading.Read) reading).record();
        if (record.source() == OlderRecord.Source.PROVED_RECORD && request.file() == null) {
            throw ApiProblem.badInput("source", Reason.of("history.file.no-proof"));
        }
        String by = Input.who("typedBy", request.typedBy());
        older.add(new OlderRecords.NewRecord(tag, record.on(), document.toString(), by, key));
        return histories.of(tag, Words.in(pressure));
    }

    /** The record that the proof holds, whatever was made of it meanwhile; only a remark may be added. */
    private JsonNode proved(String tag, String file, JsonNode given) {
        ObjectNode document = taken(tag, file).document();
        if (given.path("remark").isString()) {
            document.set("remark", given.path("remark"));
        }
        return document;
    }

    /** Takes it out of the history; it is kept and can be brought back. */
    @DeleteMapping("/units/{tag}/older-records/{id}")
    HistoryView remove(
            @PathVariable String tag,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        older.remove(tag, id, Input.name("by", by));
        return histories.of(tag, Words.in(pressure));
    }

    @PostMapping("/units/{tag}/older-records/{id}/bring-back")
    HistoryView bringBack(
            @PathVariable String tag,
            @PathVariable long id,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        older.bringBack(tag, id);
        return histories.of(tag, Words.in(pressure));
    }
}
