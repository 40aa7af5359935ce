package earlygate.server.units;

import earlygate.explain.Reason;
import earlygate.ladder.Acceptance;
import earlygate.ladder.Finding;
import earlygate.ladder.Ladder;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.store.OnceKey;
import earlygate.server.store.WallClock;
import earlygate.server.units.AcceptedFindings.Accepted;
import earlygate.server.units.UnitStore.StoredUnit;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import org.springframework.http.HttpStatus;
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

/** The sheet's own way of saving: half-filled sheets too, never over somebody else's; and findings let stand. */
@RestController
@RequestMapping("/api/units/{tag}")
class RevisionController {
    private static final Pattern TAG = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,31}");
    private static final int LONGEST_REASON = 400;

    private final UnitStore units;
    private final UnitDocuments documents;
    private final AcceptedFindings accepted;
    private final WallClock clock;

    RevisionController(UnitStore units, UnitDocuments documents, AcceptedFindings accepted, WallClock clock) {
        this.units = units;
        this.documents = documents;
        this.accepted = accepted;
        this.clock = clock;
    }

    /** @param base the revision that was worked on; 0 for a new unit */
    record SaveRequest(
            int base, @Schema(implementation = Object.class) JsonNode document, List<String> unconfirmed, String by) {}

    /** @param damaged what stands here was changed in the data file */
    record RevisionSummary(int revision, OffsetDateTime savedAt, String savedBy, boolean complete, boolean damaged) {}

    /** @param gapSchool under which the finding was seen; left out, the default */
    record AcceptRequest(
            String fingerprint,
            String reason,
            String by,
            String releasedBy,
            @Schema(implementation = Object.class) JsonNode gapSchool) {}

    @PostMapping("/revisions")
    @ResponseStatus(HttpStatus.CREATED)
    UnitDocuments.UnitDocument save(
            @PathVariable String tag,
            @RequestBody SaveRequest request,
            @RequestHeader(name = OnceKey.HEADER, required = false) String key) {
        if (!TAG.matcher(tag).matches()) {
            throw ApiProblem.badInput("tag", Reason.of("units.bad-tag").name("tag", tag));
        }
        JsonNode document = request.document();
        if (document == null || !document.isObject()) {
            throw ApiProblem.badInput("document", Reason.of("units.no-document"));
        }
        UnitDocuments.sameTag(tag, document.path("tag").asString(""));
        List<String> unconfirmed = request.unconfirmed() == null
                ? List.of()
                : request.unconfirmed().stream().filter(Objects::nonNull).toList();
        Optional<StoredUnit> saved = units.save(new UnitStore.NewRevision(
                tag,
                document.toString(),
                Input.name("by", request.by()),
                JsonMapper.shared().writeValueAsString(unconfirmed),
                OptionalInt.of(request.base()),
                key));
        return documents.of(saved.orElseThrow(() -> changedMeanwhile(tag, request.base())));
    }

    private ApiProblem changedMeanwhile(String tag, int base) {
        if (!units.has(tag)) {
            return ApiProblem.notFound("unit", tag);
        }
        if (base == 0) {
            return ApiProblem.conflict("tag", Reason.of("units.exists").name("tag", tag));
        }
        StoredUnit newest = units.newest(tag);
        Reason changed = Reason.of("units.changed-meanwhile")
                .name("tag", tag)
                .number("base", base)
                .number("newest", newest.revision());
        return ApiProblem.conflict(
                "base",
                newest.savedBy().isEmpty()
                        ? changed.said("by", Reason.of("part.somebody-else"))
                        : changed.name("by", newest.savedBy()));
    }

    @GetMapping("/revisions")
    List<RevisionSummary> revisions(@PathVariable String tag) {
        units.known(tag);
        return units.revisions(tag).stream()
                .map(r -> new RevisionSummary(
                        r.revision(), r.savedAt(), r.savedBy(), r.head().missing() == 0, r.damaged()))
                .toList();
    }

    @GetMapping("/revisions/{revision}")
    UnitDocuments.UnitDocument revision(@PathVariable String tag, @PathVariable int revision) {
        return documents.of(units.revision(tag, revision));
    }

    /** Lets a finding stand. One that goes above the schematic needs the name of a second person. */
    @PostMapping("/accepted")
    List<Accepted> accept(@PathVariable String tag, @RequestBody AcceptRequest request) {
        StoredUnit stored = units.newest(tag);
        String reason = text("reason", request.reason());
        String by = Input.name("by", text("by", request.by()));
        String fingerprint = text("fingerprint", request.fingerprint());
        String released = Input.name("releasedBy", request.releasedBy());
        boolean secondPerson = !released.isEmpty() && !released.equalsIgnoreCase(by);
        GapSchool gaps = Input.gaps(request.gapSchool());
        Optional<Acceptance> asked = Acceptance.read(fingerprint);
        PowerUnit unit = Derivation.completed(Input.unitText(stored.document()).unit(), gaps);
        Finding finding = Ladder.check(unit, gaps, documents.schematic(stored)).stream()
                .filter(f -> asked.filter(a -> a.covers(f)).isPresent())
                .findFirst()
                .orElseThrow(() -> ApiProblem.conflict("fingerprint", Reason.of("units.no-such-finding")));
        if (finding.needsRelease() && !secondPerson) {
            throw ApiProblem.badInput("releasedBy", Reason.of("units.release-missing"));
        }
        accepted.accept(tag, new Accepted(Acceptance.of(finding).text(), reason, by, released, clock.now()));
        return accepted.of(tag);
    }

    private static String text(String path, String given) {
        String text = given == null ? "" : given.strip();
        if (text.isEmpty() || text.length() > LONGEST_REASON) {
            throw ApiProblem.badInput(
                    path, Reason.of("units.text").name("field", path).number("limit", LONGEST_REASON));
        }
        return text;
    }

    record BillRequest(
            @Schema(implementation = Object.class) JsonNode document, String csv) {}

    /** @param toleranceBar 0 where the row gives none; {@code why} empty for a row that is taken */
    record BillRow(
            long line,
            String setting,
            String written,
            String fate,
            double pressureBar,
            double toleranceBar,
            String why) {}

    /** What each row of a bill of settings would do to the sheet; nothing is changed here. */
    @PostMapping("/bill")
    List<BillRow> preview(@RequestBody BillRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.document());
        Bill.Preview preview = Bill.read(unit, request.csv() == null ? "" : request.csv());
        if (preview.refused().isPresent()) {
            throw ApiProblem.badInput("csv", preview.refused().get());
        }
        Words words = Words.in(pressure);
        return preview.rows().stream()
                .map(r -> new BillRow(
                        r.line(),
                        r.setting(),
                        r.asWritten(),
                        r.fate().key(),
                        r.pressureBar(),
                        r.toleranceBar(),
                        r.why().map(words::say).orElse("")))
                .toList();
    }

    /** The bill of settings as CSV, targets in bar. */
    @GetMapping(value = "/bill.csv", produces = "text/csv;charset=UTF-8")
    String bill(@PathVariable String tag) {
        return Bill.write(Input.unitText(units.newest(tag).document()).unit());
    }
}
