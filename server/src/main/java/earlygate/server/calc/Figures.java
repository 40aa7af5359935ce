package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;

import earlygate.explain.Reason;
import earlygate.network.ComponentState;
import earlygate.network.ComponentState.ActuatorState;
import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.PumpState;
import earlygate.network.ComponentState.ValveState;
import earlygate.server.api.Wire;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;

/**
 * How a component stands, keyed and in the units of the calculation API: flowLpm, stroke, shaftPowerKw, caseDrainLpm,
 * heatKw, inControl of a pump; speedRpm, powerKw, currentA, load of a driver; flowLpm, open, heatKw of a valve; flowLpm,
 * speed (m/s or rev/s) of an actuator.
 */
final class Figures {
    private Figures() {}

    static Map<String, Object> of(ComponentState c) {
        Map<String, Object> out = new LinkedHashMap<>();
        if (c instanceof PumpState p) {
            out.put("flowLpm", Wire.figure(p.flow() / LPM));
            out.put("stroke", Wire.figure(p.stroke()));
            out.put("shaftPowerKw", Wire.figure(p.shaftPower() / KW));
            out.put("caseDrainLpm", Wire.figure(p.leakage() / LPM));
            out.put("heatKw", Wire.figure(p.heat() / KW));
            out.put("inControl", p.inControl().orElse(null));
        } else if (c instanceof DriverState d) {
            out.put("speedRpm", Wire.figure(d.speed() / RPM));
            out.put("powerKw", Wire.figure(d.power() / KW));
            out.put("currentA", Wire.figure(d.current()));
            out.put("load", Wire.figure(d.load()));
        } else if (c instanceof ValveState v) {
            out.put("flowLpm", Wire.figure(v.flow() / LPM));
            out.put("open", Wire.figure(v.open()));
            out.put("heatKw", Wire.figure(v.heat() / KW));
        } else if (c instanceof ActuatorState a) {
            out.put("flowLpm", Wire.figure(a.flow() / LPM));
            out.put("speed", Wire.figure(a.speed()));
        }
        return out;
    }

    /** Every figure of a reason under its own name, ended by the unit: {@code gapBar}, {@code heatKw}, {@code share}. */
    static Map<String, Double> of(Reason reason) {
        Map<String, Double> out = new TreeMap<>();
        reason.amounts().forEach((name, amount) -> {
            double si = amount.si();
            switch (amount.kind()) {
                case PRESSURE -> out.put(name + "Bar", Wire.figure(si / BAR));
                case FLOW -> out.put(name + "Lpm", Wire.figure(si / LPM));
                case POWER -> out.put(name + "Kw", Wire.figure(si / KW));
                case CURRENT -> out.put(name + "A", Wire.figure(si));
                case TEMPERATURE -> out.put(name + "C", Wire.celsius(si));
                case WARMING -> out.put(name + "K", Wire.figure(si));
                case TIME -> out.put(name + "S", Wire.figure(si));
                case SPEED -> out.put(name + "Rpm", Wire.figure(si / RPM));
                case RATIO, TURNS, NUMBER -> out.put(name, Wire.figure(si));
            }
        });
        return out;
    }
}
