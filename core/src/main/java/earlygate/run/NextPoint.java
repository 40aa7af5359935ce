package earlygate.run;

import earlygate.plan.Curve;
import earlygate.plan.Curve.Aim;
import earlygate.quantity.Si;
import earlygate.verify.CurvePoint;
import earlygate.verify.Fit;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;

/**
 * Which point of a curve is worth taking next. Each point that was taken answers one aim, the first that is still open:
 * a real part stands elsewhere than the model has it, so a point that misses its aim is its answer all the same. Only
 * one that lies far nearer to another aim was taken out of turn, and one that repeats another answers nothing.
 */
final class NextPoint {
    /** Out of turn lies a point this much nearer to another aim than to the one whose turn it is. */
    private static final double FAR_NEARER = 0.25;
    /** The same place again, as a share of how far the aims lie apart, and besides. */
    private static final double SAME = 0.03;

    private static final double SAME_PA = 0.15 * Si.BAR;
    private static final double SAME_FLOW = 0.25 * Si.LPM;

    private final Curve curve;
    private final double tall;
    private final double wide;
    private final List<Integer> open = new ArrayList<>();

    private NextPoint(Curve curve) {
        this.curve = curve;
        this.tall = SAME * span(Aim::pressurePa) + SAME_PA;
        this.wide = SAME * span(Aim::flow) + SAME_FLOW;
        for (int i = 0; i < curve.aims().size(); i++) {
            open.add(i);
        }
    }

    /** @param read in the order in which they were taken; answers the place among the aims, empty once all are there */
    static OptionalInt of(Curve curve, List<CurvePoint> read) {
        NextPoint next = new NextPoint(curve);
        List<CurvePoint> counted = read.stream().filter(p -> !p.struck()).toList();
        for (int i = 0; i < counted.size(); i++) {
            CurvePoint p = counted.get(i);
            if (counted.subList(0, i).stream().noneMatch(before -> next.same(before, p))) {
                next.answer(p);
            }
        }
        return next.open.stream().mapToInt(i -> i).findFirst();
    }

    private void answer(CurvePoint p) {
        List<Integer> fit = open.stream()
                .filter(i -> curve.aims().get(i).back() == p.back())
                .toList();
        if (fit.isEmpty()) {
            return;
        }
        Integer turn = fit.get(0);
        Integer nearest = turn;
        for (Integer i : fit) {
            if (away(p, i) < away(p, nearest)) {
                nearest = i;
            }
        }
        open.remove(away(p, nearest) < FAR_NEARER * away(p, turn) ? nearest : turn);
    }

    /**
     * Along what the load moves, in what the same place may differ by: the flow, and of a pump the pressure too. At full
     * stroke the pressure tells its points apart, in the cut-off only the flow does.
     */
    private double away(CurvePoint p, int aim) {
        Aim a = curve.aims().get(aim);
        double along = Math.abs(p.flow() - a.flow()) / wide;
        return curve.kind() == Fit.Kind.PUMP ? along + Math.abs(p.pressurePa() - a.pressurePa()) / tall : along;
    }

    private boolean same(CurvePoint a, CurvePoint b) {
        return a.back() == b.back()
                && Math.abs(a.pressurePa() - b.pressurePa()) <= tall
                && Math.abs(a.flow() - b.flow()) <= wide;
    }

    private double span(ToDoubleFunction<Aim> of) {
        double low = curve.aims().stream().mapToDouble(of).min().orElse(0);
        return curve.aims().stream().mapToDouble(of).max().orElse(0) - low;
    }
}
