package earlygate.server.files;

import earlygate.explain.Reason;
import earlygate.run.Attachments;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Attached;
import earlygate.run.RunState;
import earlygate.server.api.AttachedView;
import earlygate.server.journal.OpenRuns;
import earlygate.server.runs.RunService;
import earlygate.server.store.Sha256;
import earlygate.server.words.ApiProblem;
import java.util.List;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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

/** Photographs and other files beside a record: laid there, looked at, taken off until both have signed. */
@RestController
@RequestMapping("/api/runs/{id}/files")
class FileController {
    private final RunService service;
    private final OpenRuns open;
    private final RunFiles files;

    FileController(RunService service, OpenRuns open, RunFiles files) {
        this.service = service;
        this.open = open;
        this.files = files;
    }

    @GetMapping
    List<AttachedView> list(@PathVariable long id) {
        return AttachedView.of(open.state(id));
    }

    /**
     * @param name as whoever brings it calls it; its ending becomes that of its kind
     * @param step at which it is; left out, none
     * @param key the sender's own name for this; sent again, it is done once
     * @param content the bytes of the file, 5 MB at most
     */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    List<AttachedView> attach(
            @PathVariable long id,
            @RequestParam String name,
            @RequestParam(required = false) String step,
            @RequestHeader("Idempotency-Key") String key,
            @RequestBody(required = false) byte[] content) {
        if (content == null || content.length == 0) {
            throw ApiProblem.badInput("file", Reason.of("files.empty").name("name", name));
        }
        FileKind kind = FileKind.of(content)
                .orElseThrow(() ->
                        ApiProblem.badInput("file", Reason.of("files.kind").name("name", name)));
        Optional<String> at = Optional.ofNullable(step).filter(s -> !s.isBlank());
        at.filter(s -> open.state(id).step(s).isEmpty()).ifPresent(s -> {
            throw ApiProblem.badInput("step", Reason.of("run.refused.no-step").name("step", s));
        });
        String hash = Sha256.of(content);
        RunState after = service.append(
                id,
                key,
                new Attached(named(name, kind), kind.mediaType(), content.length, hash, at),
                () -> files.keep(id, hash, content));
        return AttachedView.of(after);
    }

    /** Nobody opens it by an ending that it has not. */
    private static String named(String name, FileKind kind) {
        String plain =
                name.replaceAll("[\\p{Cntrl}/\\\\]", " ").strip().replaceFirst("(?i)\\.(jpe?g|png|pdf|txt|csv)$", "");
        return plain.isBlank() ? "" : plain + "." + kind.ending();
    }

    @GetMapping("/{hash}")
    ResponseEntity<byte[]> content(@PathVariable long id, @PathVariable String hash) {
        Attached file = Attachments.of(open.state(id)).file(hash).orElseThrow(() -> ApiProblem.notFound("file", hash));
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(file.name(), java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .contentType(MediaType.parseMediaType(file.type()))
                .body(files.content(id, hash));
    }

    /** It stays in the log, and in the data; the record no longer shows it. */
    @DeleteMapping("/{seq}")
    List<AttachedView> takeOff(
            @PathVariable long id, @PathVariable long seq, @RequestHeader("Idempotency-Key") String key) {
        return AttachedView.of(service.append(id, key, new RunEvent.TakenOff(seq), () -> {}));
    }
}
