package earlygate.verify;

import static earlygate.verify.Fit.Region.OPEN;
import static earlygate.verify.Fit.Region.SHUT;
import static earlygate.verify.Fit.Region.STRUCK;

import earlygate.curve.Relief;
import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.judge.Verdict;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Parameter;
import earlygate.verify.Fit.Placed;
import earlygate.verify.Fit.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/**
 * A relief's pressure over the flow that passes it: p = c + (o/Qr) q while it is open. The line through the points going
 * up gives cracking and override, that through the points coming back where it reseats.
 */
final class ReliefFit {
    static final int LEAST = 5;
    private static final int LEAST_OPEN = 3;
    /** Below this share of the largest flow it only weeps. */
    private static final double WEEPS = 0.03;
    /** The flows must lie this far apart, as a share of the largest. */
    private static final double SPREAD = 0.1;

    private ReliefFit() {}

    static Fit of(PowerUnit unit, Situation situation, ReliefValve valve, List<CurvePoint> points, Instruments with) {
        double most = points.stream()
                .filter(p -> !p.struck())
                .mapToDouble(CurvePoint::flow)
                .max()
                .orElse(0);
        double shut = Math.max(WEEPS * most, 2 * with.flowError());
        List<CurvePoint> up = open(points, shut, false);
        List<CurvePoint> back = open(points, shut, true);
        if (up.size() < LEAST_OPEN) {
            return new Fit.Not(
                    "points",
                    Reason.of("verify.fit.few-open")
                            .number("given", up.size())
                            .number("least", LEAST_OPEN)
                            .flow("flow", shut));
        }
        double least = up.stream().mapToDouble(CurvePoint::flow).min().orElseThrow();
        if (most - least < SPREAD * most) {
            return new Fit.Not(
                    "points",
                    Reason.of("verify.fit.same-flow").flow("low", least).flow("high", most));
        }
        LeastSquares.Line line = line(up, most);
        if (line.slope().high() < 0) {
            return new Fit.Not("points", Reason.of("verify.fit.pressure-falls").flow("flow", most));
        }
        double stands = unit.at(situation).setting(valve.id());
        List<Parameter> found = new ArrayList<>();
        found.add(pressure("cracking", line.intercept(), stands));
        found.add(pressure("override", line.slope().mapped(0, valve.ratedFlow()), valve.overridePa()));
        found.add(pressure("full-flow", line.at(), valve.fullFlowPressure(stands, most)));
        if (back.size() >= LEAST_OPEN) {
            found.add(new Parameter(
                    "reseat", Value.Kind.PRESSURE, line(back, most).intercept(), OptionalDouble.empty()));
        }
        Verdict v = verdict(unit, valve, stands, line, with);
        List<Reason> said = List.of(Reason.of("verify.relief." + v.grade().key())
                .name("setting", valve.id())
                .pressure("measured", v.measuredPa())
                .pressure("target", v.targetPa())
                .pressure("tolerance", v.tolerancePa())
                .pressure("doubt", v.errorPa())
                .pressure("override", line.slope().value() * valve.ratedFlow())
                .pressure("data", valve.overridePa()));
        List<Placed> placed =
                points.stream().map(p -> placed(p, valve, stands, shut)).toList();
        return new Fit.Found(Fit.Kind.RELIEF, valve.id(), found, placed, v.grade(), v.errorPa(), said);
    }

    private static List<CurvePoint> open(List<CurvePoint> points, double shut, boolean back) {
        return points.stream()
                .filter(p -> !p.struck() && p.flow() > shut && p.back() == back)
                .toList();
    }

    private static LeastSquares.Line line(List<CurvePoint> points, double at) {
        return LeastSquares.line(of(points, CurvePoint::flow), of(points, CurvePoint::pressurePa), at);
    }

    private static double[] of(List<CurvePoint> points, ToDoubleFunction<CurvePoint> each) {
        return points.stream().mapToDouble(each).toArray();
    }

    private static Parameter pressure(String key, Estimate found, double expected) {
        return new Parameter(key, Value.Kind.PRESSURE, found, OptionalDouble.of(expected));
    }

    /** Its target is a cracking or a full-flow pressure; where the schematic asks nothing, what the sheet says counts. */
    private static Verdict verdict(
            PowerUnit unit, ReliefValve valve, double stands, LeastSquares.Line line, Instruments with) {
        Optional<Target> target = unit.target(valve.id());
        boolean full =
                target.filter(t -> t.defined() == Target.Defined.FULL_FLOW).isPresent();
        Estimate e = full ? line.at() : line.intercept();
        return Verdict.of(
                e.value(),
                target.map(Target::pressurePa).orElse(stands),
                target.map(Target::tolerancePa).orElse(Target.DEFAULT_TOLERANCE * stands),
                with.pressureErrorPa() + e.half());
    }

    private static Placed placed(CurvePoint p, ReliefValve valve, double stands, double shut) {
        Region region = p.struck() ? STRUCK : p.flow() > shut ? OPEN : SHUT;
        double expected = valve.fullFlowPressure(stands, p.flow());
        if (region == SHUT && Relief.flow(p.pressurePa(), stands, 1) == 0) {
            // Shut, any pressure below cracking is as good as another.
            expected = p.pressurePa();
        }
        return new Placed(p, region, expected, p.pressurePa() - expected, OptionalDouble.empty());
    }
}
