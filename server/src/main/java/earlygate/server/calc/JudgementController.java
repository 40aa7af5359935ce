package earlygate.server.calc;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import earlygate.explain.Reason;
import earlygate.judge.CrackSearch;
import earlygate.judge.NextTurn;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.Settled;
import earlygate.judge.Slope;
import earlygate.judge.Verdict;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.api.Input;
import earlygate.server.api.Wire;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Judgement on readings, stateless; bar throughout, as docs/api.md has it. */
@RestController
@RequestMapping("/api/calc")
class JudgementController {
    private static final double MOST_BAR = 4000;
    private static final int MOST_SAMPLES = 200_000;
    private static final int MOST_READINGS = 40;
    private static final double MOST_TURNS = 100;
    private static final double MOST_S = 1e7;
    private static final double MOST_AMPS = 1e5;
    /** Every second of a stream is looked at as the one in which it may have cracked. */
    private static final double LONGEST_S = 1200;

    /** @param divisionBar between two marks of a dial read by eye; null for a digital one */
    record GaugeRequest(
            Double rangeBar, @JsonProperty("class") Double accuracyClass, Double divisionBar) {}

    record SettledRequest(List<List<Double>> samples, Double fullScale) {}

    /** @param value the reading, with its standard error and what an approach would still add, once it is settled */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record SettledAnswer(boolean settled, double value, Double standardError, Double toCome) {}

    record CrackSample(Double t, Double bar, Double amps) {}

    record CrackTurn(Double t, Double turns) {}

    /** @param turns may be left out; {@code unit}, {@code situation} and {@code setting} tell where the relief stands */
    record CrackRequest(
            List<CrackSample> samples,
            List<CrackTurn> turns,
            GaugeRequest gauge,
            @Schema(implementation = Object.class) JsonNode unit,
            @Schema(implementation = Object.class) JsonNode situation,
            String setting) {}

    /**
     * @param heldBar what stood before the fall; {@code settingBar} where the relief itself now stands, with its 95 %
     *     bounds, where a unit is given and its model can tell
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record CrackAnswer(boolean cracked, Double atS, Double heldBar, Double settingBar, Double lowBar, Double highBar) {}

    record ScrewRequest(Double barPerTurn, List<Double> rangeBar) {}

    record HistoryRequest(Double turns, Double reads) {}

    record TurnRequest(
            ScrewRequest screw,
            List<HistoryRequest> history,
            Double targetBar,
            Double toleranceBar,
            GaugeRequest gauge,
            Double limitBar) {}

    record ExpectAnswer(double value, double low, double high) {}

    /** @param advice turn, leave, finest, no-gauge or stop; {@code turns} of a turn, 0 to read again */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record TurnAnswer(String advice, Double turns, ExpectAnswer expect) {}

    record VerdictRequest(Double value, Double targetBar, Double toleranceBar, GaugeRequest gauge) {}

    /** @param errorBar by which the gauge may be wrong; {@code said} why, and which gauge could tell */
    record VerdictAnswer(String verdict, double errorBar, String said) {}

    @PostMapping("/settled")
    SettledAnswer settled(@RequestBody SettledRequest r) {
        double fullScale = needed("fullScale", r.fullScale(), 1e-3, 1e6);
        List<List<Double>> samples = filled("samples", r.samples(), MOST_SAMPLES);
        Settled settled = new Settled(fullScale);
        double before = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < samples.size(); i++) {
            List<Double> pair = samples.get(i);
            if (pair == null || pair.size() != 2) {
                throw ApiProblem.badInput("samples[" + i + "]", Reason.of("judge.no-pair"));
            }
            before = rising("samples[" + i + "][0]", pair.get(0), before);
            settled.add(before, needed("samples[" + i + "][1]", pair.get(1), -1e6, 1e6));
        }
        boolean stands = settled.settled();
        return new SettledAnswer(
                stands,
                Wire.rounded(settled.mean(), 4),
                stands ? Wire.rounded(settled.standardError(), 5) : null,
                stands ? Wire.rounded(settled.toCome(), 5) : null);
    }

    @PostMapping("/crack")
    CrackAnswer crack(@RequestBody CrackRequest r) {
        List<CrackSample> samples = filled("samples", r.samples(), MOST_SAMPLES);
        double[] times = new double[samples.size()];
        double[] pa = new double[samples.size()];
        double[] amps = new double[samples.size()];
        boolean current = true;
        for (int i = 0; i < samples.size(); i++) {
            String path = "samples[" + i + "]";
            CrackSample one = Input.required(path, samples.get(i));
            times[i] = rising(path + ".t", one.t(), i == 0 ? Double.NEGATIVE_INFINITY : times[i - 1]);
            pa[i] = needed(path + ".bar", one.bar(), -MOST_BAR, MOST_BAR) * Si.BAR;
            current &= one.amps() != null;
            amps[i] = one.amps() == null ? 0 : needed(path + ".amps", one.amps(), 0, MOST_AMPS);
        }
        if (times[times.length - 1] - times[0] > LONGEST_S) {
            throw ApiProblem.badInput(
                    "samples",
                    Reason.of("judge.too-long")
                            .time("given", times[times.length - 1] - times[0])
                            .time("most", LONGEST_S));
        }
        List<ReliefEstimate.Turned> turns = new ArrayList<>();
        for (CrackTurn t : r.turns() == null ? List.<CrackTurn>of() : r.turns()) {
            String path = "turns[" + turns.size() + "]";
            CrackTurn one = Input.required(path, t);
            turns.add(new ReliefEstimate.Turned(
                    needed(path + ".t", one.t(), -MOST_S, MOST_S),
                    needed(path + ".turns", one.turns(), -MOST_TURNS, MOST_TURNS)));
        }
        Optional<double[]> drawn = current ? Optional.of(amps) : Optional.empty();
        Optional<PowerUnit> unit =
                r.unit() == null || r.unit().isNull() ? Optional.empty() : Optional.of(Input.unit(r.unit()));
        Optional<Situation> situation = unit.map(u -> Input.situation(u, r.situation()));
        unit.ifPresent(u -> relief(u, r.setting()));
        Optional<CrackSearch> found = CrackSearch.in(times, pa, drawn);
        if (found.isEmpty()) {
            return new CrackAnswer(false, null, null, null, null, null);
        }
        CrackSearch crack = found.get();
        Optional<ReliefEstimate> place = unit.flatMap(u -> ReliefEstimate.of(
                Model.of(u), situation.get(), r.setting(), new ReliefEstimate.Stream(times, pa, drawn), turns, crack));
        return new CrackAnswer(
                true,
                Wire.rounded(crack.atS(), 2),
                Wire.rounded(crack.held() / Si.BAR, 3),
                place.map(p -> Wire.rounded(p.settingPa() / Si.BAR, 3)).orElse(null),
                place.map(p -> Wire.rounded(p.low() / Si.BAR, 3)).orElse(null),
                place.map(p -> Wire.rounded(p.high() / Si.BAR, 3)).orElse(null));
    }

    private static void relief(PowerUnit unit, String setting) {
        boolean known = unit.settings().stream()
                .anyMatch(s -> s.id().equals(Input.required("setting", setting))
                        && unit.partOf(s.id()) instanceof ReliefValve);
        if (!known) {
            throw ApiProblem.badInput("setting", Reason.of("judge.no-relief").name("id", setting));
        }
    }

    private static double rising(String path, Double given, double before) {
        double at = needed(path, given, -MOST_S, MOST_S);
        if (at <= before) {
            throw ApiProblem.badInput(
                    path, Reason.of("judge.time-runs-back").number("at", at).number("before", before));
        }
        return at;
    }

    @PostMapping("/turn")
    TurnAnswer turn(@RequestBody TurnRequest r) {
        ScrewRequest screw = Input.required("screw", r.screw());
        double slope = needed("screw.barPerTurn", screw.barPerTurn(), 0.01, MOST_BAR);
        List<Double> range = filled("screw.rangeBar", screw.rangeBar(), 2);
        if (range.size() != 2) {
            throw ApiProblem.badInput("screw.rangeBar", Reason.of("judge.no-range"));
        }
        double low = needed("screw.rangeBar[0]", range.get(0), 0, MOST_BAR);
        double high = needed("screw.rangeBar[1]", range.get(1), low + 0.1, MOST_BAR);
        List<NextTurn.Reading> history = new ArrayList<>();
        for (HistoryRequest h : filled("history", r.history(), MOST_READINGS)) {
            String path = "history[" + history.size() + "]";
            HistoryRequest one = Input.required(path, h);
            history.add(new NextTurn.Reading(
                    needed(path + ".turns", one.turns(), -MOST_TURNS, MOST_TURNS),
                    needed(path + ".reads", one.reads(), 0, MOST_BAR)));
        }
        GaugeRequest gauge = Input.required("gauge", r.gauge());
        NextTurn said = NextTurn.of(new NextTurn.Ask(
                slope,
                low,
                high,
                history,
                needed("targetBar", r.targetBar(), 0.1, MOST_BAR),
                needed("toleranceBar", r.toleranceBar(), 0.001, MOST_BAR),
                r.toleranceBar(),
                needed("gauge.rangeBar", gauge.rangeBar(), 0.1, MOST_BAR),
                ofClass(gauge),
                division(gauge),
                r.limitBar() == null
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(needed("limitBar", r.limitBar(), 0, MOST_BAR)),
                Slope.ofData(slope),
                Double.POSITIVE_INFINITY));
        if (said instanceof NextTurn.Turn t) {
            return new TurnAnswer(
                    "turn",
                    t.turns(),
                    new ExpectAnswer(Wire.rounded(t.value(), 2), Wire.rounded(t.low(), 2), Wire.rounded(t.high(), 2)));
        }
        return new TurnAnswer(said.key(), null, null);
    }

    @PostMapping("/verdict")
    VerdictAnswer verdict(@RequestBody VerdictRequest r, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        GaugeRequest gauge = Input.required("gauge", r.gauge());
        double error = ofClass(gauge) + division(gauge) / 2;
        Verdict v = Verdict.of(
                needed("value", r.value(), -MOST_BAR, MOST_BAR) * Si.BAR,
                needed("targetBar", r.targetBar(), 0, MOST_BAR) * Si.BAR,
                needed("toleranceBar", r.toleranceBar(), 0, MOST_BAR) * Si.BAR,
                error * Si.BAR);
        return new VerdictAnswer(
                v.grade().key(), Wire.rounded(error, 4), Words.in(pressure).say(v.reason(gauge.rangeBar() * Si.BAR)));
    }

    private static double ofClass(GaugeRequest gauge) {
        return needed("gauge.rangeBar", gauge.rangeBar(), 0.1, MOST_BAR)
                * needed("gauge.class", gauge.accuracyClass(), 0, 10)
                / 100;
    }

    private static double division(GaugeRequest gauge) {
        return gauge.divisionBar() == null ? 0 : needed("gauge.divisionBar", gauge.divisionBar(), 0, gauge.rangeBar());
    }

    private static double needed(String path, Double given, double min, double max) {
        return Input.inRange(path, Input.required(path, given), 0, min, max);
    }

    private static <T> List<T> filled(String path, List<T> given, int most) {
        List<T> list = Input.required(path, given);
        if (list.isEmpty() || list.size() > most) {
            throw ApiProblem.badInput(
                    path,
                    Reason.of("judge.how-many").number("given", list.size()).number("most", most));
        }
        return list;
    }
}
