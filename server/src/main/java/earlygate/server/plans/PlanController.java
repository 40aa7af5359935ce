package earlygate.server.plans;

import earlygate.explain.Reason;
import earlygate.plan.Plan;
import earlygate.planner.Planner;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.api.PlanView;
import earlygate.server.journal.RunStore;
import earlygate.server.units.UnitStore;
import earlygate.server.units.UnitStore.StoredUnit;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The plan of a stored unit: to look at, as JSON, as CSV, and as a field sheet for a bay without a screen. */
@RestController
@RequestMapping("/api/units/{tag}")
class PlanController {
    private final UnitStore units;
    private final RunStore runs;

    PlanController(UnitStore units, RunStore runs) {
        this.units = units;
        this.runs = runs;
    }

    private record Derived(StoredUnit stored, PowerUnit unit, PlanView plan, List<Plan.Refusal> refused) {}

    private Derived derive(Wish wish, PressureUnit pressure) {
        StoredUnit stored = units.newest(wish.tag());
        GapSchool gaps = wish.gaps();
        PowerUnit unit = Derivation.completed(Input.unitText(stored.document()).unit(), gaps);
        Plan plan = Planner.plan(
                unit,
                Input.school(wish.school()),
                Input.sections(wish.sectionOrder()),
                Input.asFound(wish.asFound()).orElseGet(() -> runs.asFound(wish.tag())));
        return new Derived(stored, unit, PlanView.of(unit, plan, Words.in(pressure)), plan.refused());
    }

    /** What was chosen on Plan. {@code gapSchool} is the JSON object of the calculation API; left out, the default. */
    private record Wish(String tag, String school, String sectionOrder, String asFound, String gapSchool) {
        GapSchool gaps() {
            try {
                return gapSchool == null
                        ? GapSchool.DEFAULT
                        : Input.gaps(JsonMapper.shared().readTree(gapSchool));
            } catch (JacksonException e) {
                throw ApiProblem.badInput(
                        "gapSchool", Reason.of("api.gap-school").name("value", gapSchool));
            }
        }
    }

    /** Only a plan that may be walked is put on paper. */
    private Derived walkable(Wish wish, PressureUnit pressure) {
        Derived d = derive(wish, pressure);
        d.refused().stream().findFirst().ifPresent(r -> {
            throw ApiProblem.conflict("plan", r.message());
        });
        return d;
    }

    @GetMapping("/plan.json")
    ResponseEntity<PlanView> json(
            @PathVariable String tag,
            @RequestParam(defaultValue = "auto") String school,
            @RequestParam(required = false) String sectionOrder,
            @RequestParam(required = false) String asFound,
            @RequestParam(required = false) String gapSchool,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(tag, "json"))
                .contentType(MediaType.APPLICATION_JSON)
                .body(derive(new Wish(tag, school, sectionOrder, asFound, gapSchool), pressure)
                        .plan());
    }

    @GetMapping("/plan.csv")
    ResponseEntity<String> csv(
            @PathVariable String tag,
            @RequestParam(defaultValue = "auto") String school,
            @RequestParam(required = false) String sectionOrder,
            @RequestParam(required = false) String asFound,
            @RequestParam(required = false) String gapSchool,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(tag, "csv"))
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .body(PlanCsv.write(walkable(new Wish(tag, school, sectionOrder, asFound, gapSchool), pressure)
                        .plan()));
    }

    @GetMapping("/field-sheet.pdf")
    ResponseEntity<byte[]> fieldSheet(
            @PathVariable String tag,
            @RequestParam(defaultValue = "auto") String school,
            @RequestParam(required = false) String sectionOrder,
            @RequestParam(required = false) String asFound,
            @RequestParam(required = false) String gapSchool,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        Derived d = walkable(new Wish(tag, school, sectionOrder, asFound, gapSchool), pressure);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(tag, "pdf"))
                .contentType(MediaType.APPLICATION_PDF)
                .body(FieldSheet.of(d.unit(), d.stored().revision(), d.plan(), Words.in(pressure)));
    }

    private static String attachment(String tag, String ending) {
        return ContentDisposition.attachment()
                .filename(tag + "-plan." + ending)
                .build()
                .toString();
    }
}
