package earlygate.verify;

import static earlygate.verify.Fit.Region.LIMITED;
import static earlygate.verify.PumpPoints.each;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.judge.Verdict;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.RateTarget;
import earlygate.unit.Situation;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Parameter;
import earlygate.verify.PumpPoints.Point;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A power limiter from the hyperbola it holds the pump on: P = p (q + k p) nr / (n eta), one value a point. Judged against
 * what the schematic asks; where it asks nothing, within five percent of what the sheet says.
 */
final class LimiterFit {
    private static final double TOLERANCE = 0.05;

    private LimiterFit() {}

    static Fit of(PowerUnit unit, Situation situation, Pump pump, PumpPoints points, Instruments with) {
        List<Point> held = points.in(LIMITED);
        Optional<Fit> few = PumpFit.few(points, held);
        if (few.isPresent()) {
            return few.get();
        }
        Parameter limit = limit(pump, situation, points, held, points.model.leakage());
        Estimate found = limit.found();
        Optional<RateTarget> target = unit.rateTarget(pump.powerLimiterId());
        double asked = target.map(RateTarget::value).orElse(limit.expected().getAsDouble());
        double flow = held.stream().mapToDouble(Point::flow).average().orElseThrow();
        double pressure = held.stream().mapToDouble(Point::pressure).average().orElseThrow();
        double doubt = found.half() + found.value() * (with.flowError() / flow + with.pressureErrorPa() / pressure);
        // Grades know no unit: a power is held against its tolerance as a pressure is.
        Verdict v = Verdict.of(
                found.value(), asked, target.map(RateTarget::tolerance).orElse(TOLERANCE * asked), doubt);
        Reason said = Reason.of("verify.limiter." + v.grade().key())
                .name("setting", pump.powerLimiterId())
                .power("measured", found.value())
                .power("half", found.half())
                .power("target", asked)
                .power("tolerance", v.tolerancePa())
                .power("doubt", doubt);
        return new Fit.Found(
                Fit.Kind.LIMITER, pump.id(), List.of(limit), points.placed(), v.grade(), doubt, List.of(said));
    }

    /** Where it stands elsewhere than the sheet says. */
    static Optional<Reason> off(Parameter limit) {
        double sheet = limit.expected().orElseThrow();
        Estimate found = limit.found();
        return Math.abs(found.value() - sheet) - found.half() > TOLERANCE * sheet
                ? Optional.of(Reason.of("verify.pump.limit-off")
                        .power("found", found.value())
                        .power("half", found.half())
                        .power("sheet", sheet))
                : Optional.empty();
    }

    static Parameter limit(Pump pump, Situation situation, PumpPoints points, List<Point> held, double leakage) {
        double ratedFull = points.model.ratedSpeed() * pump.displacement();
        double[] each =
                each(held, p -> p.pressure() * p.stroke(leakage) * ratedFull / pump.hydromechanicalEfficiency());
        double stands = situation
                .settings()
                .getOrDefault(
                        pump.powerLimiterId(), pump.powerLimiter().orElseThrow().limit());
        return new Parameter("limit", Value.Kind.POWER, LeastSquares.mean(each), OptionalDouble.of(stands));
    }
}
