package earlygate.plan;

import earlygate.circuit.DirectionalValve;
import earlygate.circuit.Driver;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Section;
import earlygate.circuit.Situation;
import earlygate.circuit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What a hand moves between two situations, screws left out: drives stopped first and started last. */
final class Arrangement {
    private static final double SAME_OPENING = 1e-3;

    private Arrangement() {}

    /** Each difference as it is said, but for the parts that a sentence already names. */
    static List<String> between(PowerUnit unit, Situation from, Situation to, Set<String> said) {
        List<String> parts = new ArrayList<>();
        List<String> starts = new ArrayList<>();
        for (Driver d : unit.all(Driver.class)) {
            if (!said.contains(d.id()) && running(from, d) != running(to, d)) {
                (running(to, d) ? starts : parts).add(d.id() + (running(to, d) ? " running" : " stopped"));
            }
        }
        for (Throttle t : unit.all(Throttle.class)) {
            double then = opening(to, t);
            if (!said.contains(t.id()) && Math.abs(opening(from, t) - then) > SAME_OPENING) {
                parts.add(t.id() + (then == 0 ? " shut" : then == 1 ? " open" : " " + Math.round(then * 100) + " %"));
            }
        }
        unit.all(DirectionalValve.class).forEach(v -> valve(v.id(), v.start(), from, to, said, parts));
        unit.all(Section.class).forEach(x -> valve(x.id(), Section.POSITIONS.get(0), from, to, said, parts));
        parts.addAll(starts);
        return parts;
    }

    /** {@code to} by hand, but with the parts that are said later, and all screws, still as in {@code from}. */
    static Situation without(Situation from, Situation to, Set<String> said) {
        Situation at = to;
        for (String id : said) {
            if (to.openings().containsKey(id)) {
                at = at.withOpening(id, from.openings().getOrDefault(id, 0.0));
            }
            if (to.positions().containsKey(id) && from.positions().containsKey(id)) {
                at = at.withPosition(id, from.positions().get(id));
            }
            if (to.drivers().containsKey(id) && from.drivers().containsKey(id)) {
                at = at.withDrive(id, from.drivers().get(id));
            }
        }
        for (var s : from.settings().entrySet()) {
            at = at.withSetting(s.getKey(), s.getValue());
        }
        return at;
    }

    private static void valve(
            String id, String rest, Situation from, Situation to, Set<String> said, List<String> parts) {
        String then = to.positions().getOrDefault(id, rest);
        if (!said.contains(id) && !from.positions().getOrDefault(id, rest).equals(then)) {
            parts.add(id + " " + then);
        }
    }

    private static boolean running(Situation s, Driver d) {
        Situation.Drive drive = s.drivers().get(d.id());
        return drive == null || drive.running();
    }

    private static double opening(Situation s, Throttle t) {
        return s.openings().getOrDefault(t.id(), t.atRest());
    }
}
