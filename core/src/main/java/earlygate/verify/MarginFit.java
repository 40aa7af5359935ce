package earlygate.verify;

import static earlygate.verify.Fit.Region.OPEN;
import static earlygate.verify.Fit.Region.STALLED;
import static earlygate.verify.Fit.Region.STRUCK;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.judge.Verdict;
import earlygate.solve.Model;
import earlygate.unit.Pump;
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

/**
 * A load-sense margin from pump and signal gauge at several flows: in motion the two differ by m - b x, so each point
 * tells m. Standing still or stalled there is no margin, and none is asked for.
 */
final class MarginFit {
    static final int LEAST = 3;
    /** Below this stroke nothing moves. */
    private static final double MOVES = 0.03;
    /** Against what the margin would have to be, so much of it must be there for the margin to have the stroke. */
    private static final double STALLS = 0.4;

    private MarginFit() {}

    /** @param withSignal the two gauges' errors, summed */
    static Fit of(Model model, Situation situation, Pump pump, List<CurvePoint> points, Instruments withSignal) {
        Pump.LoadSense control = pump.loadSense().orElseThrow();
        double stands = model.unit().at(situation).setting(pump.loadSenseId());
        HeldPump held = new HeldPump(model, pump, situation);
        List<Placed> placed = new ArrayList<>();
        List<Double> margins = new ArrayList<>();
        for (CurvePoint p : points) {
            String at = "points[" + placed.size() + "]";
            if (p.signalPa().isEmpty()) {
                return new Fit.Not(at + ".signalBar", Reason.of("verify.fit.no-signal"));
            }
            Optional<HeldPump.At> m = held.at(p, p.pressurePa());
            if (m.isEmpty()) {
                return new Fit.Not("situation", Reason.of("verify.fit.no-model").name("pump", pump.id()));
            }
            double stroke = (p.flow() + held.leakage() * m.get().leakScale() * p.pressurePa())
                    / m.get().full();
            double apart = p.pressurePa() - p.signalPa().getAsDouble();
            double expected = stands - control.bandPa() * Math.min(1, stroke);
            boolean moves = p.flow() > MOVES * m.get().full() && apart > STALLS * expected;
            Region region = p.struck() ? STRUCK : moves ? OPEN : STALLED;
            if (region == OPEN) {
                margins.add(apart + control.bandPa() * Math.min(1, stroke));
            }
            placed.add(new Placed(p, region, expected, apart - expected, OptionalDouble.empty()));
        }
        if (margins.size() < LEAST) {
            return new Fit.Not(
                    "points",
                    Reason.of("verify.fit.few-in-motion")
                            .number("given", margins.size())
                            .number("least", LEAST));
        }
        Estimate margin = LeastSquares.mean(
                margins.stream().mapToDouble(Double::doubleValue).toArray());
        Optional<Target> target = model.unit().target(pump.loadSenseId());
        Verdict v = Verdict.of(
                margin.value(),
                target.map(Target::pressurePa).orElse(stands),
                target.map(Target::tolerancePa).orElse(Target.DEFAULT_TOLERANCE * stands),
                withSignal.pressureErrorPa() + margin.half());
        Reason said = Reason.of("verify.margin." + v.grade().key())
                .name("setting", pump.loadSenseId())
                .pressure("measured", v.measuredPa())
                .pressure("target", v.targetPa())
                .pressure("tolerance", v.tolerancePa())
                .pressure("doubt", v.errorPa());
        Parameter found = new Parameter("margin", Value.Kind.PRESSURE, margin, OptionalDouble.of(stands));
        return new Fit.Found(Fit.Kind.MARGIN, pump.id(), List.of(found), placed, v.grade(), v.errorPa(), List.of(said));
    }
}
