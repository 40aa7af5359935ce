package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.run.RunState;
import earlygate.server.api.Input;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.RunStore;
import earlygate.server.journal.RunStore.RunSummary;
import earlygate.server.runs.RunService.EventRequest;
import earlygate.server.store.WallClock;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Runs: start one, look at it, write into its log. */
@RestController
@RequestMapping("/api/runs")
class RunController {
    /**
     * @param asFound read or count; left out, what its history says: a unit that has run is read as it came
     * @param practice true for the practice rig, false for typed readings at the machine
     * @param rig how rough the practice machine is: easy, workshop or rough; left out, workshop
     * @param key the sender's own name for this start; sent again, the same run answers
     */
    record StartRequest(
            String tag,
            String technician,
            String school,
            @Schema(implementation = Object.class) JsonNode gapSchool,
            String sectionOrder,
            String asFound,
            boolean practice,
            String rig,
            String key) {}

    private static final int PAGE = 100;

    private final RunStarts starts;
    private final RunService service;
    private final OpenRuns open;
    private final RunStore store;
    private final WallClock clock;

    RunController(RunStarts starts, RunService service, OpenRuns open, RunStore store, WallClock clock) {
        this.starts = starts;
        this.service = service;
        this.open = open;
        this.store = store;
        this.clock = clock;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    RunView start(@RequestBody StartRequest r, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        if (r.tag() == null || r.tag().isBlank()) {
            throw ApiProblem.badInput("tag", Reason.of("runs.tag-missing"));
        }
        long id = starts.start(new RunStarts.Start(
                r.tag(),
                r.technician(),
                Input.school(r.school()),
                r.gapSchool(),
                Input.sections(r.sectionOrder()),
                Input.asFound(r.asFound()),
                r.practice(),
                Input.rig(r.rig()),
                r.key()));
        return run(id, pressure);
    }

    /**
     * The newest first, a hundred at a time.
     *
     * @param open only those that are not finished
     * @param before only runs with a smaller number; the last of an answer leads on to the next
     */
    @GetMapping
    List<RunSummary> list(
            @RequestParam String tag,
            @RequestParam(defaultValue = "false") boolean open,
            @RequestParam(defaultValue = "9223372036854775807") long before) {
        return open ? store.open(tag, PAGE) : store.summaries(tag, before, PAGE);
    }

    @GetMapping("/{id}")
    RunView run(@PathVariable long id, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return RunView.of(open.run(id), open.state(id), clock.instant(), Words.in(pressure));
    }

    /** The unit file that the run was begun with. */
    @GetMapping("/{id}/unit")
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(implementation = Object.class)))
    JsonNode unit(@PathVariable long id) {
        return open.sheet(open.run(id).head());
    }

    @GetMapping("/{id}/place")
    RunPlace place(@PathVariable long id, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return RunPlace.of(open.state(id), Words.in(pressure));
    }

    @PostMapping("/{id}/events")
    RunView append(
            @PathVariable long id,
            @RequestBody EventRequest event,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        RunState after = service.append(id, event);
        return RunView.of(open.run(id), after, clock.instant(), Words.in(pressure));
    }
}
