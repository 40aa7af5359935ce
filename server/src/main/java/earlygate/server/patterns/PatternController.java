package earlygate.server.patterns;

import static earlygate.quantity.Si.BAR;

import earlygate.drawing.SpareGauge;
import earlygate.pattern.Answers;
import earlygate.pattern.Pattern;
import earlygate.pattern.Question;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.TypedNumber;
import earlygate.server.api.Wire;
import earlygate.server.instruments.InstrumentStore;
import earlygate.server.store.WallClock;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.unit.file.UnitFile;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Kinds of circuits by which a new unit's sheet begins. Nothing is kept: a sheet that is drawn is saved as any other. */
@RestController
@RequestMapping("/api/patterns")
class PatternController {
    private static final Words WORDS = Words.in(PressureUnit.BAR);
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_TAG = 32;

    private final InstrumentStore instruments;
    private final WallClock clock;

    PatternController(InstrumentStore instruments, WallClock clock) {
        this.instruments = instruments;
        this.clock = clock;
    }

    /** @param example a unit such as is often built by it, as a unit file */
    record PatternView(
            String id,
            String title,
            String tells,
            List<QuestionView> questions,
            @Schema(implementation = Object.class) JsonNode example) {}

    /**
     * @param where it is found on the machine or on its paper
     * @param units in which it may be typed; the first where none is
     */
    record QuestionView(
            String key,
            String label,
            String where,
            String group,
            String groupTitle,
            List<String> units,
            boolean needed) {}

    /** @param answers as typed, by the key of the question */
    record DrawRequest(String tag, String name, Map<String, String> answers) {}

    /**
     * @param document the unit file; null while a needed question is open or an answer is wrong
     * @param unconfirmed places in it that are rules of thumb
     * @param open keys of needed questions without an answer
     * @param wrong by key what is wrong with an answer
     * @param problems what the drawn unit file itself is refused for
     */
    record DrawnView(
            @Schema(implementation = Object.class) JsonNode document,
            List<String> unconfirmed,
            List<String> open,
            Map<String, String> wrong,
            List<String> problems) {}

    @GetMapping
    List<PatternView> all() {
        return Pattern.ALL.stream()
                .map(p -> new PatternView(
                        p.id(),
                        WORDS.say(PatternWords.title(p.id())),
                        WORDS.say(PatternWords.tells(p.id())),
                        p.questions().stream().map(PatternController::view).toList(),
                        p.draw(p.example()).unit()))
                .toList();
    }

    private static QuestionView view(Question q) {
        return new QuestionView(
                q.key(),
                WORDS.say(PatternWords.question(q.key())),
                WORDS.say(PatternWords.where(q.key())),
                q.group().key(),
                WORDS.say(PatternWords.group(q.group())),
                q.measure().units(),
                q.needed());
    }

    @PostMapping("/{id}")
    DrawnView draw(@PathVariable String id, @RequestBody DrawRequest request) {
        Pattern pattern = Pattern.of(id).orElseThrow(() -> ApiProblem.notFound("pattern", id));
        Map<String, String> given = request.answers() == null ? Map.of() : request.answers();
        Map<String, Double> values = new LinkedHashMap<>();
        Map<String, String> wrong = new LinkedHashMap<>();
        for (Question q : pattern.questions()) {
            String typed = given.get(q.key());
            if (typed == null || typed.isBlank()) {
                continue;
            }
            TypedNumber number = q.measure().parse(typed, q.least(), q.most());
            if (number instanceof TypedNumber.Accepted a) {
                values.put(q.key(), a.value());
            } else {
                wrong.put(q.key(), WORDS.say(PatternWords.refused((TypedNumber.Refused) number, q)));
            }
        }
        Answers answers = new Answers(
                named(request.tag(), "NEW", LONGEST_TAG), named(request.name(), id, LONGEST_NAME), values, gauges());
        List<String> open = pattern.open(answers).stream()
                .map(Question::key)
                .filter(k -> !wrong.containsKey(k))
                .toList();
        if (!open.isEmpty() || !wrong.isEmpty()) {
            return new DrawnView(null, List.of(), open, wrong, List.of());
        }
        Pattern.Sheet sheet = pattern.draw(answers);
        List<String> problems = UnitFile.read(sheet.unit()) instanceof UnitFile.Reading.Refused refused
                ? refused.problems().stream()
                        .map(p -> p.path() + ": " + WORDS.say(p.reason()))
                        .collect(Collectors.toList())
                : List.of();
        return new DrawnView(sheet.unit(), sheet.assumed(), open, wrong, problems);
    }

    /** Of the register what may be fitted: whose calibration runs, and that only ever saw oil. */
    private List<SpareGauge> gauges() {
        return instruments.all().stream()
                .filter(i ->
                        i.kind().equals("gauge") && !i.retired() && i.medium().equals("oil"))
                .filter(i -> i.calibrationDue() != null && !i.calibrationDue().isBefore(clock.today()))
                .map(i -> new SpareGauge(
                        Wire.rounded(PressureUnit.of(i.unit()).toPa(i.range()) / BAR, 3), i.accuracyClass(), i.unit()))
                .toList();
    }

    /** While it is not named yet, it is drawn all the same. */
    private static String named(String typed, String otherwise, int most) {
        String name = typed == null ? "" : typed.strip();
        return name.isEmpty() ? otherwise : name.substring(0, Math.min(most, name.length()));
    }
}
