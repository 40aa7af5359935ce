package earlygate.server;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.rig.Rig;
import earlygate.rig.Roughness;
import earlygate.rig.Sample;
import earlygate.unit.Driver;
import earlygate.unit.ElectricMotor;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A machine in a bay, which the server knows nothing of: its readings are read off by eye and typed. Its truth is its own
 * hidden screws, and no figure of any plan.
 */
final class Machine {
    private static final double TICK_S = 0.05;
    /** Of which an eye takes the middle. */
    private static final int GLANCES = 20;

    private final PowerUnit unit;
    private final Rig rig;

    Machine(PowerUnit unit, long seed) {
        this.unit = unit;
        this.rig = new Rig(unit, seed, Roughness.EASY);
        for (Pump p : unit.all(Pump.class)) {
            for (String what : List.of("suction", "fill")) {
                if (rig.ready().has(what, p.id())) {
                    rig.makeReady(what, p.id(), true);
                }
            }
        }
        unit.all(ElectricMotor.class).forEach(m -> rig.makeReady("rotation", m.id(), true));
    }

    Rig rig() {
        return rig;
    }

    void run(double seconds) {
        for (double t = 0; t < seconds; t += TICK_S) {
            rig.advance(TICK_S);
        }
    }

    /** What an eye reads off once the needle stands, in bar, A or °C. */
    double read(String instrument) {
        if (instrument.equals("OIL")) {
            return rig.sample().oil() - ZERO_C;
        }
        run(3);
        double sum = 0;
        for (int i = 0; i < GLANCES; i++) {
            run(TICK_S);
            sum += now(instrument);
        }
        return sum / GLANCES;
    }

    /** L/min on a meter in the line of a part, read off as often. */
    String flow(String part) {
        double sum = 0;
        for (int i = 0; i < GLANCES; i++) {
            run(TICK_S);
            sum += rig.metered(part) / LPM;
        }
        return String.format(Locale.ROOT, "%.1f", sum / GLANCES);
    }

    /** Everything that a gauge shows over a while, bar. */
    List<Double> watch(String gauge, double seconds) {
        List<Double> seen = new ArrayList<>();
        for (double t = 0; t < seconds; t += TICK_S) {
            run(TICK_S);
            seen.add(now(gauge));
        }
        return seen;
    }

    private double now(String instrument) {
        Sample s = rig.sample();
        Double pa = s.gauges().get(instrument);
        return pa == null ? s.currents().get(instrument) : pa / BAR;
    }

    /** Drives, hand valves and levers as a situation of the answers has them. */
    void arrange(Map<String, Boolean> drivers, Map<String, Double> openings, Map<String, String> positions) {
        drivers.forEach((id, on) -> {
            if (!on) {
                rig.stop(id);
            }
        });
        openings.forEach(rig::open);
        positions.forEach(rig::shift);
        drivers.forEach((id, on) -> {
            if (on && !rig.standing().running().get(id)) {
                rig.start(id);
            }
        });
    }

    void rest() {
        unit.all(Driver.class).forEach(d -> rig.stop(d.id()));
        rig.pass(600);
    }
}
