package earlygate.server.instruments;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.ladder.Ladder;
import earlygate.ladder.Rung;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.api.Wire;
import earlygate.server.instruments.InstrumentStore.Instrument;
import earlygate.server.store.OnceKey;
import earlygate.server.store.WallClock;
import earlygate.server.units.UnitStore;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.Problem;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The register of instruments; fitting one to a test point runs the check whether it suits. */
@RestController
@RequestMapping("/api")
class InstrumentController {
    private static final Map<String, Set<String>> UNITS_OF = Map.of(
            "gauge", Set.of("bar", "psi", "MPa"),
            "transducer", Set.of("bar", "psi", "MPa"),
            "flow-meter", Set.of("L/min"),
            "clamp-meter", Set.of("A"));

    private static final LocalDate EARLIEST = LocalDate.of(1900, 1, 1);
    private static final LocalDate LATEST = LocalDate.of(2200, 1, 1);

    private final InstrumentStore store;
    private final UnitStore units;
    private final WallClock clock;

    InstrumentController(InstrumentStore store, UnitStore units, WallClock clock) {
        this.store = store;
        this.units = units;
        this.clock = clock;
    }

    record InstrumentRequest(
            String name,
            String kind,
            String unit,
            Double range,
            Double accuracyClass,
            Double resolution,
            LocalDate calibrationDue,
            String medium,
            Boolean retired) {}

    record FitRequest(
            long instrument,
            @Schema(implementation = Object.class) JsonNode document) {}

    /** @param document the sheet with the test point as this instrument makes it; {@code remarks} what speaks against it */
    record FitView(@Schema(implementation = Object.class) JsonNode document, List<String> remarks) {}

    record FittedView(String testPoint, Instrument instrument) {}

    @GetMapping("/instruments")
    List<Instrument> all() {
        return store.all();
    }

    @PostMapping("/instruments")
    @ResponseStatus(HttpStatus.CREATED)
    Instrument add(
            @RequestBody InstrumentRequest r, @RequestHeader(name = OnceKey.HEADER, required = false) String key) {
        return store.save(OnceKey.requireValid(key), () -> checked(0, r));
    }

    @PutMapping("/instruments/{id}")
    Instrument change(@PathVariable long id, @RequestBody InstrumentRequest r) {
        return store.save(null, () -> checked(store.get(id).id(), r));
    }

    @GetMapping("/units/{tag}/fitted")
    List<FittedView> fitted(@PathVariable String tag) {
        return store.fitted(tag).entrySet().stream()
                .map(e -> new FittedView(e.getKey(), e.getValue()))
                .toList();
    }

    /** Fits an instrument; the sheet's test point takes its range, class and unit. Remarks do not stop it. */
    @PostMapping("/units/{tag}/fitted/{testPoint}")
    FitView fit(
            @PathVariable String tag,
            @PathVariable String testPoint,
            @RequestBody FitRequest request,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        units.known(tag);
        Instrument i = store.get(request.instrument());
        Input.unit(request.document());
        if (!UNITS_OF.get("gauge").contains(i.unit())) {
            throw ApiProblem.badInput(
                    "instrument",
                    Reason.of("instruments.no-pressure").name("name", i.name()).name("unit", i.unit()));
        }
        JsonNode document = request.document().deepCopy();
        ObjectNode point = null;
        for (JsonNode t : document.path("testPoints")) {
            if (t.path("id").asString("").equals(testPoint)) {
                point = (ObjectNode) t;
            }
        }
        if (point == null) {
            throw ApiProblem.notFound("test-point", testPoint);
        }
        PressureUnit reads = PressureUnit.of(i.unit());
        point.put("rangeBar", Wire.rounded(reads.toPa(i.range()) / BAR, 3));
        point.put("class", i.accuracyClass());
        point.put("reads", i.unit());
        store.fit(tag, testPoint, i.id());
        return new FitView(document, remarks(Input.unit(document), testPoint, i, Words.in(pressure)));
    }

    private List<String> remarks(PowerUnit unit, String testPoint, Instrument i, Words words) {
        List<String> remarks = new ArrayList<>();
        Ladder.check(unit, GapSchool.DEFAULT).stream()
                .filter(f -> f.rule() == Rung.L11 && f.subject().equals(testPoint))
                .forEach(f -> remarks.add(words.say(f.message())));
        if (i.damaged()) {
            remarks.add(words.say(Reason.of("instruments.damaged").name("name", i.name())));
        } else if (i.calibrationDue() == null) {
            remarks.add(words.say(Reason.of("instruments.no-calibration").name("name", i.name())));
        } else if (i.calibrationDue().isBefore(clock.today())) {
            remarks.add(words.say(Reason.of("instruments.expired")
                    .name("name", i.name())
                    .name("due", i.calibrationDue().toString())));
        }
        if (!i.medium().equals("oil")) {
            remarks.add(words.say(
                    Reason.of("instruments.medium").name("name", i.name()).name("medium", i.medium())));
        }
        if (i.retired()) {
            remarks.add(words.say(Reason.of("instruments.retired").name("name", i.name())));
        }
        return remarks;
    }

    private Instrument checked(long id, InstrumentRequest r) {
        List<Problem> wrong = new ArrayList<>();
        String name = r.name() == null ? "" : r.name().strip();
        if (name.isEmpty() || name.length() > 60) {
            wrong.add(new Problem("name", Reason.of("instruments.name").number("limit", 60)));
        }
        Set<String> units = UNITS_OF.getOrDefault(String.valueOf(r.kind()), Set.of());
        if (units.isEmpty()) {
            wrong.add(new Problem("kind", Reason.of("instruments.kind").name("value", String.valueOf(r.kind()))));
        } else if (!units.contains(String.valueOf(r.unit()))) {
            wrong.add(new Problem(
                    "unit",
                    Reason.of("instruments.unit")
                            .name("value", String.valueOf(r.unit()))
                            .name(
                                    "fits",
                                    String.join(", ", units.stream().sorted().toList()))));
        }
        double range = number("range", r.range(), 1e-3, 36_000, wrong);
        double accuracy = number("accuracyClass", r.accuracyClass(), 0.01, 5, wrong);
        double resolution = number("resolution", r.resolution(), 0, range > 1 ? range : 1, wrong);
        LocalDate due = r.calibrationDue();
        if (due != null && (due.isBefore(EARLIEST) || due.isAfter(LATEST))) {
            wrong.add(
                    new Problem("calibrationDue", Reason.of("instruments.date").name("value", due.toString())));
        }
        if (!wrong.isEmpty()) {
            throw ApiProblem.badInput("instruments.refused", wrong);
        }
        if (store.taken(name, id)) {
            throw ApiProblem.conflict("name", Reason.of("instruments.taken").name("name", name));
        }
        String medium =
                r.medium() == null || r.medium().isBlank() ? "oil" : r.medium().strip();
        return new Instrument(
                id,
                name,
                r.kind(),
                r.unit(),
                range,
                accuracy,
                resolution,
                due,
                medium.substring(0, Math.min(20, medium.length())),
                Boolean.TRUE.equals(r.retired()),
                false);
    }

    private static double number(String path, Double given, double min, double max, List<Problem> wrong) {
        double value = given == null ? Double.NaN : given;
        if (!(value >= min && value <= max)) {
            wrong.add(new Problem(
                    path,
                    Reason.of("situation.out-of-range")
                            .name("value", given == null ? "nothing" : given.toString())
                            .number("min", min)
                            .number("max", max)));
        }
        return value;
    }
}
