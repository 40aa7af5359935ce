package earlygate.server.access;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says to whoever waits how many wait with them. */
@RestController
class QueueController {
    private final WorkLimit limit;

    QueueController(WorkLimit limit) {
        this.limit = limit;
    }

    @GetMapping("/api/work")
    WorkLimit.Queue work() {
        return limit.queue();
    }
}
