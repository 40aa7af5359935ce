package earlygate.server.home;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The first screen: every unit with its staffs, what is due and what was done. */
@RestController
class HomeController {
    private final UnitSummaries summaries;

    HomeController(UnitSummaries summaries) {
        this.summaries = summaries;
    }

    @GetMapping("/api/units")
    List<UnitSummaries.UnitSummary> list() {
        return summaries.all();
    }
}
