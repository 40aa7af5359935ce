package earlygate.planner.script;

import earlygate.explain.Reason;
import earlygate.plan.Note;
import earlygate.plan.Step.Kind;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;

/**
 * An accumulator's unloading valve can only be read with the accumulator on the line: shut off, the line has next to no
 * volume and saws between cut-out and cut-in. Oil is drawn slowly, so that one cycle follows the other.
 */
final class Charging {
    /** Share of what the pump delivers that is drawn: the rest charges, and both take a few seconds. */
    private static final double DRAWN = 0.35;

    private Charging() {}

    static Situation of(Site site, Situation s, UnloadingValve valve) {
        Situation charging = site.running(s).freed();
        for (Throttle t : site.handValves()) {
            double opening = switch (t.purpose()) {
                case ISOLATE -> 1;
                case BLEED -> 0;
                case LOAD -> t.a().equals(valve.pilot()) ? drawing(site.unit(), t, valve) : 0;
            };
            charging = charging.withOpening(t.id(), opening);
        }
        return charging;
    }

    /** In whole per cent, by the orifice law at what the valve stands at. */
    private static double drawing(PowerUnit unit, Throttle t, UnloadingValve valve) {
        double pressure = unit.target(valve.id()).map(x -> x.pressurePa()).orElse(valve.settingPa());
        double flow = unit.pumpsInto(valve.inlet()).stream()
                .mapToDouble(p -> p.displacement() * unit.driverOf(p).noLoadSpeed())
                .sum();
        double open = t.ratedFlow() * Math.sqrt(pressure / t.ratedDrop());
        return Math.max(0.01, Math.min(1, Math.round(100 * DRAWN * flow / open) / 100.0));
    }

    static String pumpOf(PowerUnit unit, UnloadingValve valve) {
        return String.join(
                ", ", unit.pumpsInto(valve.inlet()).stream().map(Pump::id).toList());
    }

    /** Charged with nothing drawn, until whatever limits the line above the valve holds it. */
    static void write(Site site, Situation charging, TestPoint gauge) {
        site.rehearsal().go(site.loads(charging, 0));
        site.script()
                .step(Kind.TEST, Reason.of("plan.charge").name("gauge", gauge.id()))
                .why(Reason.of("plan.why.charge"))
                .expect(site.readings().roughly(gauge))
                .note(Note.CHARGE_TIME)
                .ifNot(Reason.of("plan.if-not.no-pressure"))
                .caution("stored-pressure")
                .minutes(2)
                .add();
    }
}
