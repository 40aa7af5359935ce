package earlygate.solve;

import earlygate.circuit.Accumulator;
import earlygate.circuit.CheckValve;
import earlygate.circuit.Component;
import earlygate.circuit.Cylinder;
import earlygate.circuit.DirectionalValve;
import earlygate.circuit.Driver;
import earlygate.circuit.Filter;
import earlygate.circuit.FlowControl;
import earlygate.circuit.Fluid;
import earlygate.circuit.HydraulicMotor;
import earlygate.circuit.Leak;
import earlygate.circuit.Line;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.ReducingValve;
import earlygate.circuit.ReliefValve;
import earlygate.circuit.Section;
import earlygate.circuit.SequenceValve;
import earlygate.circuit.Setting;
import earlygate.circuit.Shuttle;
import earlygate.circuit.Situation;
import earlygate.circuit.Throttle;
import earlygate.circuit.UnloadingValve;
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
    private final Map<String, Integer> pumpIndex = new HashMap<>();
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
        unit.all(Pump.class).forEach(p -> pumpIndex.put(p.id(), pumpIndex.size()));
        for (Component c : unit.components()) {
            if (!(c instanceof Pump)) {
                compiled.add(element(c, compiled.size()));
            }
        }
        elements = compiled.toArray(Element[]::new);
        for (int i = 0; i < elements.length; i++) {
            elementIndex.put(elements[i].id, i);
        }
    }

    private Element element(Component c, int index) {
        if (c instanceof Driver d) {
            return new ShaftElement(d, pumpsOn(d), index);
        } else if (c instanceof ReliefValve r) {
            return new ReliefElement(r, this, index);
        } else if (c instanceof Throttle t) {
            return new OrificeElement(t, this, index);
        } else if (c instanceof UnloadingValve v) {
            return new PilotedElement(v, this, index);
        } else if (c instanceof ReducingValve v) {
            return new PilotedElement(v, this, index);
        } else if (c instanceof SequenceValve v) {
            return new PilotedElement(v, this, index);
        } else if (c instanceof CheckValve v) {
            return new CheckElement(v, this);
        } else if (c instanceof FlowControl v) {
            return new FlowControlElement(v, this);
        } else if (c instanceof DirectionalValve v) {
            return new SteeringElements.Directional(v, this, index);
        } else if (c instanceof Shuttle v) {
            return new SteeringElements.ShuttleElement(v, this);
        } else if (c instanceof Section v) {
            return new SteeringElements.SectionElement(v, this, index);
        } else if (c instanceof Cylinder y) {
            return new ActuatorElement(y, this, index);
        } else if (c instanceof HydraulicMotor m) {
            return new ActuatorElement(m, this, index);
        } else if (c instanceof Accumulator a) {
            return new AccumulatorElement(a, this);
        } else if (c instanceof Filter f) {
            return new LaminarElement(f, this);
        }
        return new LaminarElement((Leak) c, this);
    }

    private List<PumpOnShaft> pumpsOn(Driver driver) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.driver().equals(driver.id()))
                .map(p -> new PumpOnShaft(p, driver, this))
                .collect(Collectors.toList());
    }

    /** Openings where nothing is said of them, by element index. */
    double[] openingsAtRest() {
        double[] openings = new double[elements.length];
        unit.all(Throttle.class).forEach(t -> openings[elementIndex(t.id())] = t.atRest());
        return openings;
    }

    int[] startPositions() {
        int[] positions = new int[elements.length];
        unit.all(DirectionalValve.class)
                .forEach(v -> positions[elementIndex(v.id())] = positionIndex(v.id(), v.start()));
        return positions;
    }

    int positionIndex(String valve, String position) {
        return unit.component(valve) instanceof DirectionalValve v
                ? List.copyOf(v.positions().keySet()).indexOf(position)
                : Section.POSITIONS.indexOf(position);
    }

    /** The power limiter that has the stroke of a pump feeding this line; null when none has. */
    String powerLimiterOf(int line, Balance b, Conditions c) {
        for (Element e : elements) {
            if (e instanceof ShaftElement shaft) {
                for (PumpOnShaft p : shaft.pumps) {
                    if (p.limitsPower(line, b, c)) {
                        return p.powerLimiterId();
                    }
                }
            }
        }
        return null;
    }

    Map<String, Double> settingsOf(Conditions c) {
        Map<String, Double> values = new HashMap<>();
        settingIndex.forEach((id, i) -> values.put(id, c.setting[i]));
        return values;
    }

    /** True where a turning pump stands between two of these lines. */
    boolean pumped(List<String> lines, Conditions c) {
        return unit.all(Pump.class).stream()
                .anyMatch(p ->
                        c.running[elementIndex(p.driver())] && lines.contains(p.inlet()) && lines.contains(p.outlet()));
    }

    /** Pumps that turn with their suction shut. */
    List<String> starved(Conditions c) {
        return unit.all(Pump.class).stream()
                .filter(p -> c.suctionShut[pumpIndex(p.id())] && c.running[elementIndex(p.driver())])
                .map(Pump::id)
                .toList();
    }

    int pumpIndex(String id) {
        return index(pumpIndex, id);
    }

    int pumpCount() {
        return pumpIndex.size();
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
        return settings.stream().mapToDouble(Setting::present).toArray();
    }

    /** Leakage grows as oil thins: nu(40 C) / nu(T), T in K. */
    double leakageFactor(double temperature) {
        return viscosity.at(40 + Si.ZERO_C) / viscosity.at(temperature);
    }
}
