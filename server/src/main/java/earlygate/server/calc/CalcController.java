package earlygate.server.calc;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Situation;
import earlygate.explain.Reason;
import earlygate.ladder.GapSchool;
import earlygate.ladder.Ladder;
import earlygate.plan.Planner;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.solve.Network;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyAnswer;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
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
            String school) {}

    @PostMapping("/steady")
    SteadyView steady(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = CalcInput.unit(request.unit());
        return steady(unit, CalcInput.situation(unit, request.situation()), Words.in(pressure));
    }

    @PostMapping("/ladder")
    LadderView ladder(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = CalcInput.unit(request.unit());
        return ladder(unit, CalcInput.gaps(request.gapSchool()), Words.in(pressure));
    }

    @PostMapping("/plan")
    PlanView plan(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = CalcInput.unit(request.unit());
        GapSchool gaps = CalcInput.gaps(request.gapSchool());
        Words words = Words.in(pressure);
        return PlanView.of(unit, Planner.plan(unit, CalcInput.school(request.school()), gaps), words);
    }

    /** Everything the Sheet shows of a unit in a situation, in one go. */
    record SheetView(SteadyView steady, LadderView ladder, List<StaffView> staffs) {}

    @PostMapping("/sheet")
    SheetView sheet(@RequestBody CalcRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = CalcInput.unit(request.unit());
        GapSchool gaps = CalcInput.gaps(request.gapSchool());
        Words words = Words.in(pressure);
        return new SheetView(
                steady(unit, CalcInput.situation(unit, request.situation()), words),
                ladder(unit, gaps, words),
                StaffView.of(unit, gaps, setting -> false));
    }

    private static LadderView ladder(PowerUnit unit, GapSchool gaps, Words words) {
        return LadderView.of(Ladder.check(unit, gaps), words);
    }

    private static SteadyView steady(PowerUnit unit, Situation situation, Words words) {
        Outcome outcome = Solver.solve(new Network(unit), situation);
        if (outcome instanceof Outcome.Converged c) {
            return SteadyView.of(SteadyAnswer.of(unit, c.state()), words);
        }
        if (outcome instanceof Outcome.Implausible i) {
            throw ApiProblem.badInput(
                    "lines." + i.lines().get(0),
                    Reason.of("solve.nowhere-to-go")
                            .name("line", String.join(", ", i.lines()))
                            .pressure("pressure", i.pressurePa()));
        }
        List<String> lines = ((Outcome.NotConverged) outcome).lines();
        throw ApiProblem.badInput(
                "lines." + lines.get(0), Reason.of("solve.no-balance").name("line", String.join(", ", lines)));
    }
}
