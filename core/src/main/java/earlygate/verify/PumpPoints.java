package earlygate.verify;

import static earlygate.verify.Fit.Region.BETWEEN;
import static earlygate.verify.Fit.Region.CUT_OFF;
import static earlygate.verify.Fit.Region.LEAKAGE;
import static earlygate.verify.Fit.Region.LIMITED;
import static earlygate.verify.Fit.Region.STRUCK;

import earlygate.quantity.Si;
import earlygate.solve.Model;
import earlygate.unit.Control;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Placed;
import earlygate.verify.Fit.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;

/** The points of a pump's curve, each with what the model says of it and the part of the curve that it lies on. */
final class PumpPoints {
    static final int LEAST_OF_A_REGION = 3;

    /** So near to where one control takes over from another, a point is neither's: a share of the pressure, and Pa. */
    private static final double GUARD = 0.01;

    private static final double GUARD_PA = Si.BAR;
    /** Strokes at which the compensator is plainly at work. */
    private static final double LEAST_STROKE = 0.01;

    private static final double MOST_STROKE = 0.95;
    /** Loss per Pa, against that of the points below, from which on a control must already have the stroke. */
    private static final double BREAKS_AWAY = 3;
    /** Of full flow: a loss that no meter and no speed is sure of. */
    private static final double UNSURE = 0.01;

    private final Pump pump;
    final HeldPump model;
    private final List<Point> points = new ArrayList<>();

    private PumpPoints(Model unitModel, Situation situation, Pump pump) {
        this.pump = pump;
        this.model = new HeldPump(unitModel, pump, situation);
    }

    /** A point and what the model says of it. */
    record Point(CurvePoint read, HeldPump.At at, Region region) {
        Point in(Region other) {
            return new Point(read, at, other);
        }

        double pressure() {
            return read.pressurePa();
        }

        double flow() {
            return read.flow();
        }

        /** m3/s missing from what full stroke displaces. */
        double loss() {
            return at.full() * at.stroke() - read.flow();
        }

        double scaledPressure() {
            return read.pressurePa() * at.leakScale();
        }

        /** By what was measured: q = x n D - k p. */
        double stroke(double leakage) {
            return (read.flow() + leakage * scaledPressure()) / at.full();
        }
    }

    /** Empty where the model has no answer to one of them: the pump stands, or has no oil. */
    static Optional<PumpPoints> of(
            Model model, Situation situation, Pump pump, List<CurvePoint> read, Instruments with) {
        PumpPoints placed = new PumpPoints(model, situation, pump);
        for (CurvePoint p : read) {
            Optional<HeldPump.At> at = placed.model.at(p, p.pressurePa());
            if (at.isEmpty()) {
                return Optional.empty();
            }
            placed.points.add(new Point(p, at.get(), placed.region(p, at.get())));
        }
        placed.breakAway(with);
        return Optional.of(placed);
    }

    private Region region(CurvePoint p, HeldPump.At at) {
        if (p.struck()) {
            return STRUCK;
        }
        double guard = GUARD * p.pressurePa() + GUARD_PA;
        Optional<String> below =
                model.at(p, Math.max(0, p.pressurePa() - guard)).flatMap(HeldPump.At::control);
        Optional<String> above = model.at(p, p.pressurePa() + guard).flatMap(HeldPump.At::control);
        if (at.control().isEmpty() && above.isEmpty()) {
            return LEAKAGE;
        }
        if (holds(at.control(), Control.POWER_LIMITER) && above.equals(at.control()) && below.equals(at.control())) {
            return LIMITED;
        }
        boolean compensated =
                holds(at.control(), Control.COMPENSATOR) || holds(above, Control.COMPENSATOR) && below.isEmpty();
        double stroke = new Point(p, at, BETWEEN).stroke(model.leakage());
        return compensated && stroke < MOST_STROKE && stroke > LEAST_STROKE ? CUT_OFF : BETWEEN;
    }

    private boolean holds(Optional<String> control, Control which) {
        return control.filter(which.of(pump.id())::equals).isPresent();
    }

    /** A control that stands lower than the sheet says takes the stroke down earlier: that is not leakage. */
    private void breakAway(Instruments with) {
        if (pump.compensator().isEmpty() && pump.powerLimiter().isEmpty()) {
            return;
        }
        List<Point> falling = in(LEAKAGE).stream()
                .sorted(Comparator.comparingDouble(Point::pressure).reversed())
                .toList();
        double unsure = with.flowError()
                + UNSURE
                        * falling.stream().mapToDouble(p -> p.at().full()).max().orElse(0);
        for (int i = 0; i + LEAST_OF_A_REGION < falling.size(); i++) {
            Point top = falling.get(i);
            double perPa = falling.subList(i + 1, falling.size()).stream()
                    .mapToDouble(p -> Math.max(0, p.loss()) / Math.max(1, p.scaledPressure()))
                    .max()
                    .orElse(0);
            if (top.loss() - unsure <= BREAKS_AWAY * perPa * top.scaledPressure()) {
                return;
            }
            points.set(points.indexOf(top), top.in(BETWEEN));
        }
    }

    List<Point> in(Region region) {
        return points.stream().filter(p -> p.region() == region).toList();
    }

    List<Point> counted() {
        return points.stream().filter(p -> p.region() != STRUCK).toList();
    }

    static double[] each(List<Point> points, ToDoubleFunction<Point> value) {
        return points.stream().mapToDouble(value).toArray();
    }

    List<Placed> placed() {
        return points.stream()
                .map(p -> new Placed(
                        p.read(),
                        p.region(),
                        p.at().flow(),
                        p.flow() - p.at().flow(),
                        p.region() == LEAKAGE
                                ? OptionalDouble.of(p.flow() / (p.at().full() * p.at().stroke()))
                                : OptionalDouble.empty()))
                .toList();
    }
}
