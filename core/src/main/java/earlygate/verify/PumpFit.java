package earlygate.verify;

import static earlygate.verify.Fit.Region.CUT_OFF;
import static earlygate.verify.Fit.Region.LEAKAGE;
import static earlygate.verify.Fit.Region.LIMITED;
import static earlygate.verify.PumpPoints.each;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.judge.Verdict.Grade;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Parameter;
import earlygate.verify.PumpPoints.Point;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A pump's flow over pressure. At full stroke q = n D - k p: what is missing from n D, over p, is the leakage k, and k at
 * rated pressure and rated speed the volumetric efficiency. Where the compensator takes the stroke down each point tells
 * its cut-off s = p + b x.
 */
final class PumpFit {
    static final int LEAST = 5;
    /** Efficiency that a pump may have lost against new before it is called worn, as a difference of the two. */
    static final double WEAR = 0.05;

    /** Points must lie this far apart, as a share of the highest pressure. */
    private static final double SPREAD = 0.05;
    /** Flow that grows with pressure by more than this share of n D is no pump's. */
    private static final double RISES = 0.03;
    /** Share of n D that may be missing at no pressure. */
    private static final double UNLOADED = 0.02;

    private final Pump pump;
    private final Situation situation;
    private final PumpPoints points;
    private final double ratedFull;

    private PumpFit(Pump pump, Situation situation, PumpPoints points) {
        this.pump = pump;
        this.situation = situation;
        this.points = points;
        this.ratedFull = points.model.ratedSpeed() * pump.displacement();
    }

    static Fit of(Pump pump, Situation situation, PumpPoints points, Instruments with) {
        return new PumpFit(pump, situation, points).fit(with);
    }

    private Fit fit(Instruments with) {
        List<Point> free = points.in(LEAKAGE);
        Optional<Fit> wrong = apart(points.counted()).or(this::rises).or(() -> few(points, free));
        // Of those at full stroke too: all at next to no pressure they tell nothing of leakage.
        wrong = wrong.or(() -> apart(free));
        if (wrong.isPresent()) {
            return wrong.get();
        }
        Estimate leak = LeastSquares.throughOrigin(each(free, Point::scaledPressure), each(free, Point::loss));
        Estimate efficiency = leak.mapped(1, -pump.ratedPressure() / ratedFull);
        List<Parameter> found = new ArrayList<>();
        found.add(new Parameter(
                "volumetric-efficiency", Value.Kind.RATIO, efficiency, OptionalDouble.of(pump.volumetricEfficiency())));
        found.add(new Parameter(
                "leakage",
                Value.Kind.FLOW,
                leak.mapped(0, pump.ratedPressure()),
                OptionalDouble.of(points.model.leakage() * pump.ratedPressure())));
        cutOff(leak.value()).ifPresent(found::add);
        List<Point> held = points.in(LIMITED);
        if (held.size() > 1) {
            found.add(LimiterFit.limit(pump, situation, points, held, leak.value()));
        }
        double doubt = efficiency.half() + with.flowError() / ratedFull;
        Grade grade = CurveFit.wear(efficiency.value(), doubt, pump.volumetricEfficiency());
        List<Reason> said = new ArrayList<>();
        said.add(told(grade, efficiency, doubt));
        unloaded(free).ifPresent(said::add);
        found.stream()
                .filter(p -> p.key().equals("limit"))
                .flatMap(p -> LimiterFit.off(p).stream())
                .forEach(said::add);
        return new Fit.Found(Fit.Kind.PUMP, pump.id(), found, points.placed(), grade, doubt, said);
    }

    private Reason told(Grade grade, Estimate efficiency, double doubt) {
        String code = CurveFit.tooMuch(efficiency.value(), doubt) ? "too-much" : grade.key();
        return Reason.of("verify.pump." + code)
                .name("pump", pump.id())
                .number("efficiency", efficiency.value())
                .number("half", efficiency.half())
                .number("new", pump.volumetricEfficiency())
                .number("doubt", doubt)
                .number("least", CurveFit.wornBelow(pump.volumetricEfficiency()));
    }

    /** Extrapolated to no pressure the flow must be n D; if it is not, no leakage explains it. */
    private static Optional<Reason> unloaded(List<Point> free) {
        if (free.size() <= PumpPoints.LEAST_OF_A_REGION) {
            return Optional.empty();
        }
        Estimate at0 = LeastSquares.line(each(free, Point::scaledPressure), each(free, Point::loss), 0)
                .intercept();
        double full = free.get(0).at().full() * free.get(0).at().stroke();
        return Math.abs(at0.value()) - at0.half() > UNLOADED * full
                ? Optional.of(Reason.of("verify.pump.unloaded")
                        .flow("flow", full - at0.value())
                        .flow("full", full))
                : Optional.empty();
    }

    private Optional<Parameter> cutOff(double leakage) {
        List<Point> bent = points.in(CUT_OFF);
        return pump.compensator()
                .filter(c -> bent.size() > 1)
                .map(c -> new Parameter(
                        "cut-off",
                        Value.Kind.PRESSURE,
                        LeastSquares.mean(each(bent, p -> p.pressure() + c.bandPa() * p.stroke(leakage))),
                        OptionalDouble.of(situation.settings().getOrDefault(pump.compensatorId(), c.settingPa()))));
    }

    private static Optional<Fit> apart(List<Point> all) {
        double low = all.stream().mapToDouble(Point::pressure).min().orElse(0);
        double high = all.stream().mapToDouble(Point::pressure).max().orElse(0);
        return high > 0 && high - low >= SPREAD * high
                ? Optional.empty()
                : Optional.of(new Fit.Not(
                        "points",
                        Reason.of("verify.fit.same-pressure")
                                .pressure("low", low)
                                .pressure("high", high)
                                .ratio("spread", SPREAD)));
    }

    private Optional<Fit> rises() {
        List<Point> sorted = points.counted().stream()
                .sorted(Comparator.comparingDouble(Point::pressure))
                .toList();
        Point first = sorted.get(0);
        Point last = sorted.get(sorted.size() - 1);
        LeastSquares.Line line =
                LeastSquares.line(each(sorted, Point::pressure), each(sorted, Point::flow), first.pressure());
        double rise = line.slope().low() * (last.pressure() - first.pressure());
        return rise > RISES * first.at().full()
                ? Optional.of(new Fit.Not(
                        "points",
                        Reason.of("verify.fit.flow-rises")
                                .flow("from", first.flow())
                                .flow("to", last.flow())
                                .pressure("low", first.pressure())
                                .pressure("high", last.pressure())))
                : Optional.empty();
    }

    /** Too few points of the part that is fitted; what held the others is named. */
    static Optional<Fit> few(PumpPoints points, List<Point> wanted) {
        if (wanted.size() >= PumpPoints.LEAST_OF_A_REGION) {
            return Optional.empty();
        }
        Optional<String> holder = points.counted().stream()
                .filter(p -> !wanted.contains(p))
                .flatMap(p -> p.at().control().stream())
                .findFirst();
        Reason why = Reason.of(holder.isPresent() ? "verify.fit.held-by" : "verify.fit.few-of-part")
                .number("given", wanted.size())
                .number("least", PumpPoints.LEAST_OF_A_REGION);
        return Optional.of(
                new Fit.Not("points", holder.map(h -> why.name("setting", h)).orElse(why)));
    }
}
