package earlygate.verify;

import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Kind;
import java.util.List;
import java.util.Locale;

/** How often the bounds of a fit hold the truth, over machines of each kind. */
public final class FitTally {
    int held;
    int missing;
    final int of;

    private FitTally(int of) {
        this.of = of;
    }

    double percent() {
        return 100.0 * held / of;
    }

    private void count(PowerUnit unit, Kind kind, String subject, List<CurvePoint> points, String key, double truth) {
        Fit fit = CurveFit.of(Model.of(unit), CurveMachine.WARM, kind, subject, points, Instruments.WITHOUT_ERROR);
        if (!(fit instanceof Fit.Found f) || f.parameter(key).isEmpty()) {
            missing++;
            return;
        }
        Estimate e = f.parameter(key).get();
        held += e.low() <= truth && truth <= e.high() ? 1 : 0;
    }

    static FitTally efficiency(int n) {
        FitTally t = new FitTally(n);
        for (int i = 0; i < n; i++) {
            var m = new CurveMachine.WornPump(i, 0.7 + 0.25 * i / n);
            t.count(m.unit, Kind.PUMP, "P1", m.machine.points, "volumetric-efficiency", m.efficiency);
        }
        return t;
    }

    static FitTally cutOff(int n) {
        FitTally t = new FitTally(n);
        for (int i = 0; i < n; i++) {
            var m = new CurveMachine.WornPump(i, 0.9);
            t.count(m.unit, Kind.PUMP, "P1", m.machine.points, "cut-off", m.cutOff);
        }
        return t;
    }

    static FitTally relief(int n, String key) {
        FitTally t = new FitTally(n);
        for (int i = 0; i < n; i++) {
            var m = new CurveMachine.Relief(i);
            double truth = key.equals("cracking") ? m.cracking : key.equals("override") ? m.override : m.reseat;
            t.count(m.unit, Kind.RELIEF, "RV1", m.machine.points, key, truth);
        }
        return t;
    }

    static FitTally margin(int n) {
        FitTally t = new FitTally(n);
        for (int i = 0; i < n; i++) {
            var m = new CurveMachine.Margin(i);
            t.count(m.unit, Kind.MARGIN, "P1", m.machine.points, "margin", m.margin);
        }
        return t;
    }

    static FitTally limiter(int n) {
        FitTally t = new FitTally(n);
        for (int i = 0; i < n; i++) {
            var m = new CurveMachine.Limiter(i);
            t.count(m.unit, Kind.LIMITER, "P1", m.machine.points, "limit", m.limit);
        }
        return t;
    }

    /** The table, of so many curves a kind. */
    public static void main(String[] args) {
        int n = args.length > 0 ? Integer.parseInt(args[0]) : 1000;
        row("efficiency inside its 95 % bounds", efficiency(n));
        row("cut-off inside its bounds", cutOff(n));
        row("cracking inside its bounds", relief(n, "cracking"));
        row("override inside its bounds", relief(n, "override"));
        row("reseat inside its bounds", relief(n, "reseat"));
        row("margin inside its bounds", margin(n));
        row("power limit inside its bounds", limiter(n));
    }

    private static void row(String what, FitTally t) {
        System.out.printf(Locale.ROOT, "%-62s %9s %8.1f %%%n", what, "93 to 97", t.percent());
    }
}
