package earlygate.server.units;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.UnitFile;
import earlygate.explain.Reason;
import earlygate.ladder.Finding;
import earlygate.ladder.GapSchool;
import earlygate.ladder.Ladder;
import earlygate.server.calc.CalcInput;
import earlygate.server.calc.StaffView;
import earlygate.server.runs.RunStore;
import earlygate.server.units.UnitStore.StoredUnit;
import earlygate.server.words.ApiProblem;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Units: list, read, import, save. The body of import and save is the unit file itself. */
@RestController
@RequestMapping("/api")
class UnitController {
    private final UnitStore units;
    private final RunStore runs;
    private final JsonMapper json;

    UnitController(UnitStore units, RunStore runs, JsonMapper json) {
        this.units = units;
        this.runs = runs;
        this.json = json;
    }

    /** @param lastRun null for a unit that was never commissioned here */
    record UnitSummary(
            String tag,
            String name,
            String drawing,
            int revision,
            int findings,
            List<StaffView> staffs,
            RunStore.RunSummary lastRun) {}

    record UnitDocument(
            String tag,
            int revision,
            @Schema(implementation = Object.class) JsonNode document) {}

    @GetMapping("/units")
    List<UnitSummary> list() {
        return units.newest().stream().map(this::summary).toList();
    }

    private UnitSummary summary(StoredUnit stored) {
        PowerUnit unit = CalcInput.unitText(stored.document()).unit();
        long open = Ladder.check(unit, GapSchool.DEFAULT).stream()
                .filter(f -> f.severity() != Finding.Severity.INFO)
                .count();
        RunStore.RunSummary last = runs.lastOf(stored.tag()).orElse(null);
        return new UnitSummary(
                unit.tag(),
                unit.name(),
                (unit.drawing().number() + " " + unit.drawing().revision()).strip(),
                stored.revision(),
                (int) open,
                StaffView.of(unit, GapSchool.DEFAULT, s -> last != null && last.finished()),
                last);
    }

    @GetMapping("/units/{tag}")
    UnitDocument read(@PathVariable String tag) {
        return document(units.newest(tag));
    }

    @PostMapping("/units")
    @ResponseStatus(HttpStatus.CREATED)
    UnitDocument add(@RequestBody String text) {
        UnitFile.Reading.Read read = CalcInput.unitText(text);
        if (units.has(read.unit().tag())) {
            throw ApiProblem.conflict(
                    "tag", Reason.of("units.exists").name("tag", read.unit().tag()));
        }
        return document(units.save(read.unit().tag(), text));
    }

    @PutMapping("/units/{tag}")
    UnitDocument save(@PathVariable String tag, @RequestBody String text) {
        UnitFile.Reading.Read read = CalcInput.unitText(text);
        if (!read.unit().tag().equals(tag)) {
            throw ApiProblem.badInput(
                    "tag",
                    Reason.of("units.other-tag")
                            .name("tag", tag)
                            .name("found", read.unit().tag()));
        }
        units.newest(tag);
        return document(units.save(tag, text));
    }

    /** The JSON Schema that unit files are held against. */
    @GetMapping(value = "/unit-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        return UnitFile.schemaText();
    }

    private UnitDocument document(StoredUnit stored) {
        return new UnitDocument(stored.tag(), stored.revision(), json.readTree(stored.document()));
    }
}
