package earlygate.network;

import earlygate.curve.Viscosity;
import earlygate.quantity.Si;
import earlygate.unit.Component;
import earlygate.unit.Driver;
import earlygate.unit.Fluid;
import earlygate.unit.Gear;
import earlygate.unit.Line;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
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
    private final Map<String, Integer> gearIndex = new HashMap<>();
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
                compiled.add(Elements.of(c, this, compiled.size()));
            }
        }
        for (Gear g : unit.testGear()) {
            if (g instanceof Gear.LoadValve v) {
                gearIndex.put(v.id(), gearIndex.size());
                compiled.add(new GearElement(v, gearIndex.size() - 1));
            }
        }
        elements = compiled.toArray(Element[]::new);
        for (int i = 0; i < elements.length; i++) {
            elementIndex.put(elements[i].id, i);
        }
    }

    List<PumpOnShaft> pumpsOn(Driver driver) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.driver().equals(driver.id()))
                .map(p -> new PumpOnShaft(p, driver, this))
                .collect(Collectors.toList());
    }

    /** What all pumps together send at no load, m3/s. */
    double fullFlow() {
        return unit.all(Pump.class).stream()
                .mapToDouble(p -> p.displacement() * unit.driverOf(p).noLoadSpeed())
                .sum();
    }

    /** Openings where nothing is said of them, by element index. */
    double[] openingsAtRest() {
        double[] openings = new double[elements.length];
        unit.all(Throttle.class).forEach(t -> openings[elementIndex(t.id())] = t.atRest());
        return openings;
    }

    int[] startPositions() {
        int[] positions = new int[elements.length];
        unit.all(Positioned.class).forEach(v -> positions[elementIndex(v.id())] = positionIndex(v.id(), v.rest()));
        return positions;
    }

    int positionIndex(String valve, String position) {
        return ((Positioned) unit.component(valve)).positionNames().indexOf(position);
    }

    /** The power limiter that has the stroke of a pump feeding this line; null when none has. */
    public String powerLimiterOf(int line, Balance b, Conditions c) {
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

    public Map<String, Double> settingsOf(Conditions c) {
        Map<String, Double> values = new HashMap<>();
        settingIndex.forEach((id, i) -> values.put(id, c.setting[i]));
        return values;
    }

    /** True where a turning pump stands between two of these lines. */
    public boolean pumped(List<String> lines, Conditions c) {
        return unit.all(Pump.class).stream()
                .anyMatch(p ->
                        c.running[elementIndex(p.driver())] && lines.contains(p.inlet()) && lines.contains(p.outlet()));
    }

    /** Pumps that turn with their suction shut. */
    public List<String> starved(Conditions c) {
        return unit.all(Pump.class).stream()
                .filter(p -> c.suctionShut[pumpIndex(p.id())] && c.running[elementIndex(p.driver())])
                .map(Pump::id)
                .toList();
    }

    /** Lines with the tank, which is number 0. */
    public int lineCount() {
        return lineIds.length;
    }

    public String lineId(int index) {
        return lineIds[index];
    }

    /** Every adjuster; its place in the list is its index in the conditions. */
    public List<Setting> settings() {
        return settings;
    }

    int pumpIndex(String id) {
        return index(pumpIndex, id);
    }

    int gearIndex(String id) {
        return index(gearIndex, id);
    }

    int gearCount() {
        return gearIndex.size();
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

    /** @throws NoSuchElementException for a line that this circuit lacks */
    public int lineIndex(String id) {
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
    public double leakageFactor(double temperature) {
        return viscosity.at(40 + Si.ZERO_C) / viscosity.at(temperature);
    }
}
