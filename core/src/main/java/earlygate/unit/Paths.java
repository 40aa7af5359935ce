package earlygate.unit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/** Where oil can get to in some position of the valves, drains and reliefs left aside. */
public final class Paths {
    private final PowerUnit unit;
    private final Map<String, Set<String>> ways = new LinkedHashMap<>();
    private final Map<String, Set<String>> open = new LinkedHashMap<>();

    public Paths(PowerUnit unit) {
        this(unit, any -> true);
    }

    /** @param through the components that oil may pass */
    public Paths(PowerUnit unit, Predicate<Component> through) {
        this.unit = unit;
        for (Component c : unit.components().stream().filter(through).toList()) {
            for (Component.Way w : c.ways()) {
                if (w.tied()) {
                    tie(w.from(), w.to());
                } else {
                    way(w.from(), w.to());
                }
            }
        }
    }

    private void way(String from, String to) {
        if (!from.equals(Line.TANK) && !to.equals(Line.TANK)) {
            ways.computeIfAbsent(from, k -> new LinkedHashSet<>()).add(to);
        }
    }

    /** Oil passes freely: at rest both ends are at one pressure, but for a check's. */
    private void tie(String a, String b) {
        way(a, b);
        open.computeIfAbsent(a, k -> new LinkedHashSet<>()).add(b);
        open.computeIfAbsent(b, k -> new LinkedHashSet<>()).add(a);
    }

    /** Lines tied to this one by checks, filters and isolating valves, itself first. */
    public Set<String> tied(String line) {
        return from(line, open);
    }

    /** Lines that oil of this one can get to, itself first. */
    public Set<String> reached(String line) {
        return from(line, ways);
    }

    /** Pumps whose oil can get to a line. */
    public List<Pump> feeding(String line) {
        List<Pump> feeding = new ArrayList<>();
        for (Pump p : unit.all(Pump.class)) {
            if (reached(p.outlet()).contains(line)) {
                feeding.add(p);
            }
        }
        return feeding;
    }

    private static Set<String> from(String line, Map<String, Set<String>> edges) {
        Set<String> seen = new LinkedHashSet<>(Set.of(line));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            for (String to : edges.getOrDefault(next.poll(), Set.of())) {
                if (!to.equals(Line.TANK) && seen.add(to)) {
                    next.add(to);
                }
            }
        }
        return seen;
    }
}
