package earlygate.server.records;

import earlygate.quantity.PressureUnit;
import earlygate.server.api.CurveView;
import earlygate.server.documents.CurveDrawing;
import earlygate.server.documents.Svg;
import earlygate.server.instruments.InstrumentStore;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.OpenRuns.OpenRun;
import earlygate.server.journal.SealedLog;
import earlygate.server.units.UnitStore;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The record of a run: to look at, as JSON, as a table and as PDF. */
@RestController
@RequestMapping("/api/runs/{id}")
class RecordController {
    private final OpenRuns open;
    private final InstrumentStore instruments;
    private final SealedLog sealed;
    private final UnitStore units;

    RecordController(OpenRuns open, InstrumentStore instruments, SealedLog sealed, UnitStore units) {
        this.units = units;
        this.sealed = sealed;
        this.open = open;
        this.instruments = instruments;
    }

    @GetMapping("/record")
    RecordView record(@PathVariable long id, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        OpenRun run = open.run(id);
        return RecordView.of(
                run.head(),
                run.unit(),
                run.gaps(),
                open.state(id),
                instruments.fitted(run.unit().tag()),
                Words.in(pressure));
    }

    @GetMapping("/record.json")
    ResponseEntity<RecordView> json(@PathVariable long id) {
        RecordView record = record(id, PressureUnit.BAR);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(record, "json"))
                .contentType(MediaType.APPLICATION_JSON)
                .body(record);
    }

    /** Its settings as a table, which can be put in elsewhere as an older record. */
    @GetMapping("/record.csv")
    ResponseEntity<String> csv(@PathVariable long id) {
        RecordView record = record(id, PressureUnit.BAR);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(record, "csv"))
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .body(RecordCsv.of(record));
    }

    /** One of its curves as a drawing. */
    @GetMapping("/curves/{step}.svg")
    ResponseEntity<String> curve(
            @PathVariable long id,
            @PathVariable String step,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        RecordView record = record(id, pressure);
        CurveView curve = record.curves().stream()
                .filter(c -> c.step().equals(step) && !c.points().isEmpty())
                .findFirst()
                .orElseThrow(() -> ApiProblem.notFound("curve", step));
        String title = Words.in(pressure).say(RecordPdf.title(curve));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(record, step + ".svg"))
                .contentType(new MediaType("image", "svg+xml", StandardCharsets.UTF_8))
                .body(Svg.curve(CurveDrawing.of(curve, pressure), title));
    }

    /** The record with its log to the letter, for {@code ./gate verify} and the page that proves it. */
    @GetMapping("/proof.json")
    ResponseEntity<Proof> proof(@PathVariable long id) {
        RecordView record = record(id, PressureUnit.BAR);
        Proof proof = new Proof(
                Proof.FORMAT,
                units.revision(record.tag(), record.unitRevision()).document(),
                sealed.head(id),
                sealed.entries(id),
                sealed.seal(id).last(),
                record);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(record, "proof.json"))
                .contentType(MediaType.APPLICATION_JSON)
                .body(proof);
    }

    /** @param circuit the unit's drawing as the page has it, an SVG; nothing but shapes and words of it is taken */
    record PdfRequest(String circuit) {}

    @GetMapping("/record.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable long id, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return pdf(id, pressure, new PdfRequest(null));
    }

    /** The same with the unit's circuit, which is drawn where it is looked at. */
    @PostMapping("/record.pdf")
    ResponseEntity<byte[]> pdf(
            @PathVariable long id,
            @RequestParam(defaultValue = "bar") PressureUnit pressure,
            @RequestBody PdfRequest request) {
        RecordView record = record(id, pressure);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(record, "pdf"))
                .contentType(MediaType.APPLICATION_PDF)
                .body(RecordPdf.of(record, sealed.seal(id), pressure, request.circuit()));
    }

    /** For a label printer: what stays on the machine, with a code that leads back here. */
    @GetMapping("/label.pdf")
    ResponseEntity<byte[]> label(@PathVariable long id, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        RecordView record = record(id, pressure);
        String address = ServletUriComponentsBuilder.fromCurrentContextPath()
                .path("/unit/{tag}/record/{id}")
                .buildAndExpand(record.tag(), id)
                .encode()
                .toUriString();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(record, "label.pdf"))
                .contentType(MediaType.APPLICATION_PDF)
                .body(RecordLabel.of(record, sealed.seal(id), address, pressure));
    }

    private static String attachment(RecordView record, String ending) {
        return ContentDisposition.attachment()
                .filename(record.tag() + "-run-" + record.run() + "." + ending)
                .build()
                .toString();
    }
}
