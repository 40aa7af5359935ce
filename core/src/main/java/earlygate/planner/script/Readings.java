package earlygate.planner.script;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.unit.Driver;
import earlygate.unit.Engine;
import earlygate.unit.Fluid;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.List;

/** What the fitted instruments must show with the machine as it stands in the plan. */
public final class Readings {
    /** Band around an expected motor current: clamp meter, supply voltage and the spread of motors. */
    private static final double CURRENT_BAND = 0.15;

    /** Half of a whole per cent, by which handles are moved, and a little more: no machine is quite its model. */
    private static final double HALF_A_STEP = 0.006;

    private final PowerUnit unit;
    private final Rehearsal rehearsal;

    Readings(PowerUnit unit, Rehearsal rehearsal) {
        this.unit = unit;
        this.rehearsal = rehearsal;
    }

    /** Pa on a gauge now; 0 where the model had no answer and the plan is refused anyway. */
    double of(TestPoint gauge) {
        return rehearsal.state.map(s -> s.pressure(gauge.line())).orElse(0.0);
    }

    /**
     * Wide enough to tell "about there" from "not at all": valves differ at the ends of their screws. A gauge that is too
     * coarse for so little has no lower end.
     */
    Expect roughly(TestPoint gauge) {
        double p = of(gauge);
        double low = Math.max(0, Math.min(0.4 * p, p - 2 * gauge.errorPa()));
        return new Expect(gauge.id(), Kind.PRESSURE, p, low, p + Math.max(10 * BAR, p / 2) + gauge.errorPa());
    }

    Expect pressure(TestPoint gauge, double bandPa) {
        double p = of(gauge);
        double band = bandPa + gauge.errorPa();
        return new Expect(gauge.id(), Kind.PRESSURE, p, Math.max(0, p - band), p + band);
    }

    /**
     * What a hand opens a load to: within a share of it, or as near as a handle that moves by whole per cent comes where
     * those are coarse.
     */
    Expect opened(TestPoint gauge, Throttle load, double share) {
        Expect near = pressure(gauge, share * of(gauge));
        double at = rehearsal.situation.openings().getOrDefault(load.id(), 0.0);
        return new Expect(
                near.instrument(),
                near.kind(),
                near.value(),
                Math.max(0, Math.min(near.low(), beside(gauge, load, at + HALF_A_STEP) - gauge.errorPa())),
                Math.max(near.high(), beside(gauge, load, at - HALF_A_STEP) + gauge.errorPa()));
    }

    private double beside(TestPoint gauge, Throttle load, double opening) {
        return rehearsal
                .solved(rehearsal.situation.withOpening(load.id(), Math.max(0, Math.min(1, opening))))
                .map(s -> s.pressure(gauge.line()))
                .orElse(of(gauge));
    }

    /** The reading that the schematic's tolerance allows around {@code aimPa}, with the model's own value between. */
    Expect around(TestPoint gauge, double aimPa, double tolerancePa) {
        return new Expect(gauge.id(), Kind.PRESSURE, of(gauge), aimPa - tolerancePa, aimPa + tolerancePa);
    }

    Expect zero(TestPoint gauge) {
        // The gauge's own error is taken off again when it is judged.
        return new Expect(gauge.id(), Kind.PRESSURE, 0, 0, 2 * gauge.errorPa());
    }

    /** One for every driver that has a current. */
    List<Expect> currents() {
        return rehearsal.state.stream()
                .flatMap(s -> unit.all(Driver.class).stream()
                        .filter(d -> !(d instanceof Engine))
                        .map(d -> current(d, s.driver(d.id()).current())))
                .toList();
    }

    private static Expect current(Driver d, double amps) {
        return new Expect(d.id(), Kind.CURRENT, amps, amps * (1 - CURRENT_BAND), amps * (1 + CURRENT_BAND));
    }

    Expect oilInBand() {
        return oil(unit.fluid().bandHigh());
    }

    /** In its band and no warmer than {@code high}, K. */
    Expect oil(double high) {
        Fluid f = unit.fluid();
        return new Expect(Expect.OIL, Kind.TEMPERATURE, Math.min(high, f.middleOfBand()), f.bandLow(), high);
    }
}
