package earlygate.solve;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.Fluid;
import earlygate.circuit.Line;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.ReliefValve;
import earlygate.circuit.Setting;
import earlygate.circuit.Situation;
import earlygate.circuit.Throttle;
import earlygate.curve.Viscosity;
import earlygate.quantity.Si;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.stream.Collectors;

/** A unit compiled to indexed lines and elements. Immutable; shared by solvers, each of which has arrays of its own. */
public final class Network {
    final PowerUnit unit;
    final String[] lineIds;
    final Element[] elements;
    final List<Setting> settings;
    /** V / B by line, m3/Pa. */
    final double[] compliance;

    private final Map<String, Integer> lineIndex = new HashMap<>();
    private final Map<String, Integer> elementIndex = new HashMap<>();
    private final Map<String, Integer> settingIndex = new HashMap<>();
    private final Viscosity viscosity;

    public Network(PowerUnit unit) {
        this.unit = unit;
        Fluid fluid = unit.fluid();
        viscosity = Viscosity.of(fluid.viscosity40(), fluid.viscosityIndex());
        lineIds = new String[unit.lines().size() + 1];
        compliance = new double[lineIds.length];
        lineIds[0] = Line.TANK;
        for (int i = 1; i < lineIds.length; i++) {
            Line line = unit.lines().get(i - 1);
            lineIds[i] = line.id();
            compliance[i] = line.volume() / fluid.bulkModulus();
        }
        for (int i = 0; i < lineIds.length; i++) {
            lineIndex.put(lineIds[i], i);
        }
        settings = unit.settings();
        for (int i = 0; i < settings.size(); i++) {
            settingIndex.put(settings.get(i).id(), i);
        }
        List<Element> compiled = new ArrayList<>();
        unit.components().forEach(c -> {
            int index = compiled.size();
            if (c instanceof ElectricMotor m) {
                compiled.add(new ShaftElement(m, pumpsOn(m), lineIds.length, index));
            } else if (c instanceof ReliefValve r) {
                compiled.add(new ReliefElement(r, this));
            } else if (c instanceof Throttle t) {
                compiled.add(new OrificeElement(t, this, index));
            }
        });
        elements = compiled.toArray(Element[]::new);
        for (int i = 0; i < elements.length; i++) {
            elementIndex.put(elements[i].id, i);
        }
    }

    private List<PumpOnShaft> pumpsOn(ElectricMotor motor) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.driver().equals(motor.id()))
                .map(p -> new PumpOnShaft(p, motor, this))
                .collect(Collectors.toList());
    }

    public PowerUnit unit() {
        return unit;
    }

    /** The unit put in a situation; a fresh object each time. */
    public Conditions conditions(Situation situation) {
        return new Conditions(this).apply(situation);
    }

    int lineIndex(String id) {
        return index(lineIndex, id);
    }

    int elementIndex(String id) {
        return index(elementIndex, id);
    }

    int settingIndex(String id) {
        return index(settingIndex, id);
    }

    private static int index(Map<String, Integer> map, String id) {
        Integer i = map.get(id);
        if (i == null) {
            throw new NoSuchElementException("'" + id + "' is not part of this circuit");
        }
        return i;
    }

    double[] presentSettings() {
        return settings.stream().mapToDouble(Setting::presentPa).toArray();
    }

    /** Leakage grows as oil thins: nu(40 C) / nu(T), T in K. */
    double leakageFactor(double temperature) {
        return viscosity.at(40 + Si.ZERO_C) / viscosity.at(temperature);
    }
}
