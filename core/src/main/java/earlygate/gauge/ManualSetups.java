package earlygate.gauge;

import earlygate.unit.Component;
import earlygate.unit.Cylinder;
import earlygate.unit.Driver;
import earlygate.unit.FlowControl;
import earlygate.unit.Gear;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.Line;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * How hands can put a unit, its screws left alone: levers, hand valves, actuators free or blocked, drives stopped, a load
 * valve fitted. Everything that is not named stands at rest: levers centred, hand valves shut, actuators blocked.
 */
final class ManualSetups {
    private static final double FREE = 2;
    private static final double STOP = 2;
    private static final double FIT = 4;
    private static final double LOAD = 1;
    private static final int MOST_LEVER_WAYS = 80;
    /** With more hand valves than this only one at a time, or all that isolate, are opened. */
    private static final int MOST_TOGETHER = 4;

    private final PowerUnit unit;
    private final List<Throttle> valves;

    /** A load valve of the unit, or a portable one fitted from a line to tank. */
    sealed interface Opener {
        Situation at(Situation s, double opening);

        /** The valve that is opened. */
        String id();

        double cost();
    }

    record Own(String id) implements Opener {
        @Override
        public Situation at(Situation s, double opening) {
            return s.withOpening(id, opening);
        }

        @Override
        public double cost() {
            return LOAD;
        }
    }

    record Portable(String id, String line) implements Opener {
        @Override
        public Situation at(Situation s, double opening) {
            return s.withGear(id, new Situation.Between(line, Line.TANK, opening));
        }

        @Override
        public double cost() {
            return FIT;
        }
    }

    /** @param open hand valves that are not shut; {@code free} actuators that may move; {@code stopped} drives */
    record Way(
            Map<String, String> positions,
            Map<String, Double> open,
            Set<String> free,
            Set<String> stopped,
            double cost) {}

    /** Hands in a way, and what is opened by degrees then. */
    record Candidate(Way way, Optional<Opener> opener) {
        double cost() {
            return way.cost() + opener.map(Opener::cost).orElse(0.0);
        }
    }

    private final List<Candidate> plain;
    private final List<Candidate> loaded;

    ManualSetups(PowerUnit unit) {
        this.unit = unit;
        this.valves = unit.handValves();
        List<Way> ways = ways();
        plain = ways.stream().map(w -> new Candidate(w, Optional.empty())).toList();
        loaded = ways.stream()
                .flatMap(w -> openers(w).stream().map(o -> new Candidate(w, Optional.of(o))))
                .sorted(Comparator.comparingDouble(Candidate::cost))
                .toList();
    }

    /** The least work first. */
    List<Candidate> plain() {
        return plain;
    }

    /** With one load opened by degrees; the least work first. */
    List<Candidate> loaded() {
        return loaded;
    }

    /** What can be opened by degrees besides what a way has open already: own load valves first, then gear. */
    private List<Opener> openers(Way way) {
        return openers(way.open()::containsKey);
    }

    /** What is not open yet in a situation. */
    List<Opener> openers(Situation s) {
        return openers(id -> s.openings().getOrDefault(id, 0.0) > 0);
    }

    private List<Opener> openers(Predicate<String> isOpen) {
        List<Opener> all = new ArrayList<>();
        for (boolean load : new boolean[] {true, false}) {
            valves.stream()
                    .filter(t -> (t.purpose() == Throttle.Purpose.LOAD) == load && !isOpen.test(t.id()))
                    .forEach(t -> all.add(new Own(t.id())));
        }
        for (Gear g : unit.testGear()) {
            if (g instanceof Gear.LoadValve v) {
                fittings().forEach(line -> all.add(new Portable(v.id(), line)));
            }
        }
        return all;
    }

    /** Whether a flow meter can be fitted in series with a part, or with fitted gear: beside a line that gear can be fitted on. */
    boolean canBeMetered(String id) {
        return unit.testGear().stream().anyMatch(g -> g.id().equals(id))
                || Stream.of(ends(unit.component(id))).anyMatch(fittings()::contains);
    }

    private static String[] ends(Component part) {
        if (part instanceof Pump p) {
            return new String[] {p.outlet()};
        }
        if (part instanceof FlowControl f) {
            return new String[] {f.inlet(), f.outlet()};
        }
        return part instanceof Throttle t ? new String[] {t.a(), t.b()} : new String[] {};
    }

    /** Lines that gear can be fitted on: with a test point, a cylinder or a motor. */
    private List<String> fittings() {
        Set<String> lines = new LinkedHashSet<>();
        unit.testPoints().forEach(t -> lines.add(t.line()));
        unit.all(Cylinder.class).forEach(c -> lines.addAll(List.of(c.cap(), c.rod())));
        unit.all(HydraulicMotor.class).forEach(m -> lines.addAll(List.of(m.a(), m.b())));
        lines.remove(Line.TANK);
        return List.copyOf(lines);
    }

    /** The situation with hands as this way has them; its screws, oil and running drives stay. */
    Situation apply(Way way, Situation from) {
        Situation s = from.centred(unit).withGearOpen(0);
        for (Map.Entry<String, String> e : way.positions().entrySet()) {
            s = s.withPosition(e.getKey(), e.getValue());
        }
        for (Throttle t : valves) {
            s = s.withOpening(t.id(), way.open().getOrDefault(t.id(), 0.0));
        }
        for (String d : way.stopped()) {
            s = s.withDriver(d, false);
        }
        Set<String> blocked = unit.actuators();
        blocked.removeAll(way.free());
        return way.free().isEmpty() ? s.allBlocked() : s.withBlocked(blocked);
    }

    private List<Way> ways() {
        List<Way> all = new ArrayList<>();
        for (Map<String, String> levers : levers()) {
            for (Map<String, Double> open : opened()) {
                for (Set<String> free : freed()) {
                    for (Set<String> stopped : stopped()) {
                        double cost = levers.size() + open.size() + FREE * free.size() + STOP * stopped.size();
                        all.add(new Way(levers, open, free, stopped, cost));
                    }
                }
            }
        }
        all.sort(Comparator.comparingDouble(Way::cost));
        return List.copyOf(all);
    }

    /** Every lever at rest, then one moved, then two together. */
    private List<Map<String, String>> levers() {
        List<Map<String, String>> all = new ArrayList<>(List.of(Map.of()));
        List<Map<String, String>> one = new ArrayList<>();
        for (Positioned v : unit.all(Positioned.class)) {
            v.moved().forEach(p -> one.add(Map.of(v.id(), p)));
        }
        all.addAll(one);
        for (int i = 0; i < one.size(); i++) {
            for (int j = i + 1; j < one.size() && all.size() < MOST_LEVER_WAYS; j++) {
                Map<String, String> two = new LinkedHashMap<>(one.get(i));
                two.putAll(one.get(j));
                if (two.size() == 2) {
                    all.add(two);
                }
            }
        }
        return all;
    }

    private List<Map<String, Double>> opened() {
        List<Map<String, Double>> all = new ArrayList<>(List.of(Map.of()));
        if (valves.size() <= MOST_TOGETHER) {
            for (int mask = 1; mask < 1 << valves.size(); mask++) {
                Map<String, Double> open = new LinkedHashMap<>();
                for (int i = 0; i < valves.size(); i++) {
                    if ((mask & 1 << i) != 0) {
                        open.put(valves.get(i).id(), 1.0);
                    }
                }
                all.add(open);
            }
            return all;
        }
        valves.forEach(t -> all.add(Map.of(t.id(), 1.0)));
        Map<String, Double> isolating = new LinkedHashMap<>();
        valves.stream().filter(t -> t.purpose() == Throttle.Purpose.ISOLATE).forEach(t -> isolating.put(t.id(), 1.0));
        if (isolating.size() > 1) {
            all.add(isolating);
        }
        return all;
    }

    private List<Set<String>> freed() {
        List<Set<String>> all = new ArrayList<>(List.of(Set.of()));
        Set<String> actuators = unit.actuators();
        actuators.forEach(a -> all.add(Set.of(a)));
        if (actuators.size() > 1) {
            all.add(actuators);
        }
        return all;
    }

    /** All drives on; with several, each one stopped in turn. */
    private List<Set<String>> stopped() {
        List<Driver> drivers = unit.all(Driver.class);
        return drivers.size() < 2
                ? List.of(Set.of())
                : Stream.concat(Stream.of(Set.<String>of()), drivers.stream().map(d -> Set.of(d.id())))
                        .toList();
    }
}
