package earlygate.server.calc;

import earlygate.explain.Reason;
import earlygate.identify.Traits;
import earlygate.identify.ValveKind;
import earlygate.quantity.Keyed;
import earlygate.quantity.PressureUnit;
import earlygate.reckon.Figure;
import earlygate.reckon.Reckoning;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.unit.file.Problem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Single calculations and the valve identifier. Numbers come and go in the units that the reader has chosen. */
@RestController
@RequestMapping("/api")
class ReckonController {
    private static final Words WORDS = Words.in(PressureUnit.BAR);

    record CalculatorView(String key, String title, List<FigureView> inputs) {}

    /** @param fileValue the same in the unit of the unit file, {@code fileUnit}, to be put on a sheet */
    record FigureView(String key, String label, String unit, double value, String fileUnit, double fileValue) {}

    /** @param formula with the numbers put in */
    record ReckonedView(String formula, List<FigureView> results) {}

    record TraitsRequest(
            Traits.Pilot pilot,
            Traits.Rest rest,
            Boolean reverseCheck,
            Traits.Drain drain,
            Traits.Place place,
            String declared) {}

    /** @param kind type of the unit file; {@code against} the traits that contradict it, in words */
    record MatchView(String kind, String name, List<String> against) {}

    /** @param declared what contradicts the type declared in the sheet; empty when nothing does or none is declared */
    record IdentifiedView(List<MatchView> matches, List<String> declared) {}

    @GetMapping("/reckon")
    List<CalculatorView> all(@RequestParam(defaultValue = "bar") PressureUnit pressure) {
        List<CalculatorView> all = new ArrayList<>();
        for (Reckoning r : Reckoning.values()) {
            all.add(new CalculatorView(
                    r.key(),
                    word("reckon." + r.key()),
                    r.inputs().stream()
                            .map(f -> new ReckonedFigure(r, f, pressure))
                            .map(f -> view(f, f.shown(f.figure().value())))
                            .toList()));
        }
        return all;
    }

    /**
     * @param given numbers in the units shown, or as typed with a unit behind: {@code "2900 psi"}
     * @param pressure by which the units are chosen that bare numbers are in, and what comes out
     */
    @PostMapping("/reckon/{key}")
    ReckonedView reckon(
            @PathVariable String key,
            @RequestBody Map<String, JsonNode> given,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        Reckoning r;
        try {
            r = Keyed.of(Reckoning.class, key);
        } catch (IllegalArgumentException e) {
            throw ApiProblem.notFound("calculator", key);
        }
        Map<String, Double> figures = new LinkedHashMap<>();
        List<Problem> wrong = new ArrayList<>();
        for (Figure in : r.inputs()) {
            JsonNode typed = given.get(in.key());
            if (typed != null) {
                new ReckonedFigure(r, in, pressure).read(typed, figures, wrong);
            }
        }
        r.wrong(figures).forEach(w -> wrong.add(outOfRange(new ReckonedFigure(r, w.input(), pressure), w.given())));
        if (!wrong.isEmpty()) {
            throw ApiProblem.badInput("reckon.out-of-range", wrong);
        }
        List<ReckonedFigure> results = r.results(figures).stream()
                .map(f -> new ReckonedFigure(r, f, pressure))
                .toList();
        Reason formula = Reason.of("reckon." + key + ".formula");
        for (Figure in : r.inputs()) {
            ReckonedFigure f = new ReckonedFigure(r, in, pressure);
            formula = formula.name(in.key(), with(f.shown(figures.getOrDefault(in.key(), in.value())), f.unit()));
        }
        for (ReckonedFigure out : results) {
            formula = formula.name(
                    out.figure().key() + "Out", with(out.shown(out.figure().value()), out.unit()));
        }
        return new ReckonedView(
                WORDS.say(formula),
                results.stream().map(f -> view(f, f.shown(f.figure().value()))).toList());
    }

    private static Problem outOfRange(ReckonedFigure f, double given) {
        Figure in = f.figure();
        return new Problem(
                in.key(),
                Reason.of("reckon.out-of-range")
                        .name("figure", word("figure." + in.key()))
                        .name("value", plain(f.shown(given)))
                        .name("min", plain(f.shown(in.min())))
                        .name("max", plain(f.shown(in.max())))
                        .name("unit", f.unit().equals("1") ? "" : f.unit()));
    }

    @PostMapping("/calc/identify")
    IdentifiedView identify(@RequestBody TraitsRequest q) {
        if (q.pilot() == null
                || q.rest() == null
                || q.reverseCheck() == null
                || q.drain() == null
                || q.place() == null) {
            throw ApiProblem.badInput("traits", Reason.of("identify.five"));
        }
        Traits seen = new Traits(q.pilot(), q.rest(), q.reverseCheck(), q.drain(), q.place());
        List<MatchView> matches = ValveKind.match(seen).stream()
                .map(m ->
                        new MatchView(m.kind().type(), word("valve." + m.kind().type()), against(m.contradictions())))
                .toList();
        List<String> declared = matches.stream()
                .filter(m -> m.kind().equals(q.declared()))
                .findFirst()
                .map(MatchView::against)
                .orElse(List.of());
        return new IdentifiedView(matches, declared);
    }

    private static List<String> against(List<Traits.Trait> traits) {
        return traits.stream().map(t -> word("trait." + t.key())).toList();
    }

    private static FigureView view(ReckonedFigure f, double value) {
        Figure figure = f.figure();
        return new FigureView(
                figure.key(), word("figure." + figure.key()), f.unit(), value, figure.unit(), figure.value());
    }

    private static String word(String code) {
        return WORDS.say(Reason.of(code));
    }

    private static String with(double value, String unit) {
        return unit.equals("1") ? plain(value) : plain(value) + " " + unit;
    }

    /** Four figures that count, no exponent. */
    static String plain(double value) {
        if (!Double.isFinite(value)) {
            return word("part.no-number");
        }
        if (value == 0 || Math.abs(value) >= 1000) {
            return String.format(Locale.ROOT, "%.0f", value);
        }
        int decimals = Math.max(0, 3 - (int) Math.floor(Math.log10(Math.abs(value))));
        String text = String.format(Locale.ROOT, "%." + Math.min(decimals, 6) + "f", value);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
    }
}
