package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.ladder.Acceptance;
import earlygate.ladder.Ladder;
import earlygate.plan.AsFound;
import earlygate.plan.Plan;
import earlygate.planner.Planner;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.api.PlanView;
import earlygate.server.api.StaffView;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.solve.Model;
import earlygate.solve.NoBalance;
import earlygate.solve.Outcome;
import earlygate.solve.Recording;
import earlygate.solve.SteadyState;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.file.SituationFile;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The stateless calculation API: a unit goes in, an answer comes out, nothing is kept. */
@RestController
@RequestMapping("/api/calc")
class CalcController {
    /** The parts of a body that a call needs; the rest may be left out. */
    record CalcRequest(
            @Schema(implementation = Object.class) JsonNode unit,
            @Schema(implementation = Object.class) JsonNode situation,
            @Schema(implementation = Object.class) JsonNode gapSchool,
            String school,
            String sectionOrder,
            String asFound,
            List<Asked> schematic,
            List<String> accepted,
            Map<String, Double> measured,
            Vary vary,
            Double seconds,
            Double stepMs,
            List<TimedChange> events) {}

    /** What the drawing asks of a setting, where the sheet may have moved on from it. */
    record Asked(String setting, double pressureBar) {}

    /** @param path such as {@code openings.TV1} or {@code settings.RV1} */
    record Vary(String path, double from, double to, int points) {}

    record TimedChange(
            double atS,
            @Schema(implementation = Object.class) JsonNode set) {}

    @PostMapping("/steady")
    SteadyView steady(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.unit());
        return steady(unit, Input.situation(unit, request.situation()), Words.in(pressure));
    }

    @PostMapping("/sweep")
    List<SteadyView> sweep(
            @RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.unit());
        Situation situation = Input.situation(unit, request.situation());
        return Sweep.of(unit, situation, request.vary()).stream()
                .map(outcome -> SteadyView.of(unit, converged(outcome), situation.metered(), Words.in(pressure)))
                .toList();
    }

    /** At most this many steps, and samples in the answer. */
    private static final int MOST_STEPS = 200_000;

    private static final int MOST_SAMPLES = 1000;

    @PostMapping("/transient")
    Series follow(@RequestBody CalcRequest request) {
        PowerUnit unit = Input.unit(request.unit());
        Situation situation = Input.situation(unit, request.situation());
        double seconds = Input.inRange("seconds", request.seconds(), 1, 1e-3, 3600);
        double stepS = Input.inRange("stepMs", request.stepMs(), 1, 0.01, 60_000) / 1000;
        Input.inRange("seconds", seconds / stepS, 1, 0, MOST_STEPS);
        List<Recording.Event> read = events(unit, request, seconds);
        try {
            return Series.of(Recording.of(Model.of(unit), situation, seconds, stepS, read, MOST_SAMPLES));
        } catch (NoBalance unknown) {
            throw ApiProblem.badInput(
                    "situation",
                    Reason.of("solve.no-balance")
                            .name(
                                    "line",
                                    String.join(
                                            ", ",
                                            unit.lines().stream().map(Line::id).toList())));
        }
    }

    /** Each event is a change put over what stood before it. */
    private static List<Recording.Event> events(PowerUnit unit, CalcRequest request, double seconds) {
        List<TimedChange> changes = request.events() == null ? List.of() : new ArrayList<>(request.events());
        for (int i = 0; i < changes.size(); i++) {
            if (changes.get(i) == null) {
                throw ApiProblem.badInput("events[" + i + "]", Reason.of("api.no-event"));
            }
            Input.inRange("events[" + i + "].atS", changes.get(i).atS(), 0, 0, seconds);
        }
        JsonNode stood = Input.orEmpty(request.situation());
        List<Recording.Event> events = new ArrayList<>();
        for (TimedChange c :
                changes.stream().sorted(Comparator.comparing(TimedChange::atS)).toList()) {
            JsonNode change = Input.orEmpty(c.set());
            Input.situation(unit, change);
            stood = SituationFile.changed(stood, change);
            Situation whole = Input.situation(unit, stood);
            events.add(new Recording.Event(c.atS(), change.has("oilC") ? whole : whole.withoutOil()));
        }
        return events;
    }

    @PostMapping("/ladder")
    LadderView ladder(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.unit());
        return ladder(unit, Input.gaps(request.gapSchool()), request, Words.in(pressure));
    }

    private static List<Target> asked(CalcRequest request) {
        List<Target> asked = new ArrayList<>();
        for (Asked a : request.schematic() == null ? List.<Asked>of() : request.schematic()) {
            if (a == null || a.setting() == null) {
                throw ApiProblem.badInput(
                        "schematic[" + asked.size() + "].setting",
                        Reason.of("file.missing-key").name("key", "setting"));
            }
            asked.add(new Target(a.setting(), a.pressureBar() * BAR, 0, Target.Defined.CRACKING));
        }
        return asked;
    }

    @PostMapping("/targets")
    TargetsView targets(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.unit());
        GapSchool gaps = Input.gaps(request.gapSchool());
        return TargetsView.of(unit, gaps, Input.measured(unit, request.measured()), Words.in(pressure));
    }

    @PostMapping("/plan")
    PlanView plan(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        GapSchool gaps = Input.gaps(request.gapSchool());
        PowerUnit unit = Derivation.completed(Input.unit(request.unit()), gaps);
        Words words = Words.in(pressure);
        Plan plan = Planner.plan(
                unit,
                Input.school(request.school()),
                Input.sections(request.sectionOrder()),
                Input.asFound(request.asFound()).orElse(AsFound.COUNT));
        return PlanView.of(unit, plan, words);
    }

    /** Everything the Sheet shows of a unit in a situation, in one go. */
    record SheetView(SteadyView steady, LadderView ladder, List<StaffView> staffs) {}

    @PostMapping("/sheet")
    SheetView sheet(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.unit());
        GapSchool gaps = Input.gaps(request.gapSchool());
        Words words = Words.in(pressure);
        return new SheetView(
                steady(unit, Input.situation(unit, request.situation()), words),
                ladder(unit, gaps, request, words),
                StaffView.of(unit, gaps, setting -> false));
    }

    private static LadderView ladder(PowerUnit unit, GapSchool gaps, CalcRequest request, Words words) {
        List<Acceptance> accepted = Optional.ofNullable(request.accepted()).orElse(List.of()).stream()
                .flatMap(text -> Acceptance.read("" + text).stream())
                .toList();
        return LadderView.of(Ladder.check(unit, gaps, asked(request)), accepted, words);
    }

    private static SteadyView steady(PowerUnit unit, Situation situation, Words words) {
        SteadyState state = converged(Model.of(unit).outcome(situation));
        return SteadyView.of(unit, state, situation.metered(), words);
    }

    private static SteadyState converged(Outcome outcome) {
        if (outcome instanceof Outcome.Converged c) {
            return c.state();
        }
        List<String> lines = ((Outcome.Failed) outcome).lines();
        Reason why = Reason.of(
                        outcome instanceof Outcome.Implausible
                                ? "solve.nowhere-to-go"
                                : outcome instanceof Outcome.WithoutTank ? "solve.without-tank" : "solve.no-balance")
                .name("line", String.join(", ", lines));
        throw ApiProblem.badInput(
                "lines." + lines.get(0),
                outcome instanceof Outcome.Implausible i ? why.pressure("pressure", i.pressurePa()) : why);
    }
}
