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
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Units: list, read, import, save. The body of import and save is the unit file itself. */
@RestController
@RequestMapping("/api")
class UnitController {
    private final UnitStore units;
    private final RunStore runs;
    private final UnitDocuments documents;

    UnitController(UnitStore units, RunStore runs, UnitDocuments documents) {
        this.units = units;
        this.runs = runs;
        this.documents = documents;
    }

    /**
     * @param missing what keeps the sheet from being complete; 0 for one that can be planned from
     * @param openRuns every run that is not finished, newest first
     * @param commissioned the last finished run at the machine, never a practice run; null where there was none
     */
    record UnitSummary(
            String tag,
            String name,
            String drawing,
            int revision,
            int missing,
            int findings,
            List<StaffView> staffs,
            List<RunStore.RunSummary> openRuns,
            RunStore.RunSummary commissioned) {}

    @GetMapping("/units")
    List<UnitSummary> list() {
        return units.newest().stream().map(this::summary).toList();
    }

    private UnitSummary summary(StoredUnit stored) {
        List<RunStore.RunSummary> open = runs.open(stored.tag());
        RunStore.RunSummary last = runs.commissioned(stored.tag()).orElse(null);
        if (UnitFile.read(stored.document()) instanceof UnitFile.Reading.Refused refused) {
            return new UnitSummary(
                    stored.tag(),
                    documents.name(stored),
                    "",
                    stored.revision(),
                    refused.problems().size(),
                    0,
                    List.of(),
                    open,
                    last);
        }
        PowerUnit unit = CalcInput.unitText(stored.document()).unit();
        List<String> accepted = units.accepted(stored.tag()).stream()
                .map(UnitStore.Accepted::fingerprint)
                .toList();
        long findings = Ladder.check(unit, GapSchool.DEFAULT, documents.schematic(stored)).stream()
                .filter(f -> f.severity() != Finding.Severity.INFO && !accepted.contains(f.fingerprint()))
                .count();
        return new UnitSummary(
                unit.tag(),
                unit.name(),
                (unit.drawing().number() + " " + unit.drawing().revision()).strip(),
                stored.revision(),
                0,
                (int) findings,
                StaffView.of(unit, GapSchool.DEFAULT, s -> last != null),
                open,
                last);
    }

    @GetMapping("/units/{tag}")
    UnitDocuments.UnitDocument read(@PathVariable String tag) {
        return documents.of(units.newest(tag));
    }

    @PostMapping("/units")
    @ResponseStatus(HttpStatus.CREATED)
    UnitDocuments.UnitDocument add(
            @RequestBody String text, @RequestHeader(name = UnitStore.KEY_HEADER, required = false) String key) {
        UnitFile.Reading.Read read = CalcInput.unitText(text);
        Optional<StoredUnit> before = units.savedUnder(read.unit().tag(), key);
        if (before.isPresent()) {
            return documents.of(before.get());
        }
        if (units.has(read.unit().tag())) {
            throw ApiProblem.conflict(
                    "tag", Reason.of("units.exists").name("tag", read.unit().tag()));
        }
        return documents.of(units.save(read.unit().tag(), text, key));
    }

    @PutMapping("/units/{tag}")
    UnitDocuments.UnitDocument save(
            @PathVariable String tag,
            @RequestBody String text,
            @RequestHeader(name = UnitStore.KEY_HEADER, required = false) String key) {
        UnitFile.Reading.Read read = CalcInput.unitText(text);
        UnitDocuments.sameTag(tag, read.unit().tag());
        units.newest(tag);
        Optional<StoredUnit> before = units.savedUnder(tag, key);
        return documents.of(before.orElseGet(() -> units.save(tag, text, key)));
    }

    /** The JSON Schema that unit files are held against. */
    @GetMapping(value = "/unit-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        return UnitFile.schemaText();
    }
}
