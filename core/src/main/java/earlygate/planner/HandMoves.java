package earlygate.planner;

import earlygate.explain.Reason;
import earlygate.unit.Driver;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What a hand moves between two situations, screws left out: drives stopped first and started last. */
final class HandMoves {
    private static final double SAME_OPENING = 1e-3;

    private HandMoves() {}

    /** Each difference as it is said, but for the parts that a sentence already names. */
    static List<Reason> between(PowerUnit unit, Situation from, Situation to, Set<String> said) {
        List<Reason> parts = new ArrayList<>();
        List<Reason> starts = new ArrayList<>();
        for (Driver d : unit.all(Driver.class)) {
            if (!said.contains(d.id()) && running(from, d) != running(to, d)) {
                (running(to, d) ? starts : parts)
                        .add(Reason.of(running(to, d) ? "part.running" : "part.stopped")
                                .name("part", d.id()));
            }
        }
        for (Throttle t : unit.all(Throttle.class)) {
            double then = opening(to, t);
            if (!said.contains(t.id()) && Math.abs(opening(from, t) - then) > SAME_OPENING) {
                parts.add(opened(t.id(), then));
            }
        }
        unit.all(Positioned.class).forEach(v -> valve(v, from, to, said, parts));
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

    private static Reason opened(String throttle, double opening) {
        String code = opening == 0 ? "part.shut" : opening == 1 ? "part.open" : "part.opening";
        return Reason.of(code).name("part", throttle).ratio("opening", opening);
    }

    private static void valve(Positioned v, Situation from, Situation to, Set<String> said, List<Reason> parts) {
        String then = to.positions().getOrDefault(v.id(), v.rest());
        if (!said.contains(v.id())
                && !from.positions().getOrDefault(v.id(), v.rest()).equals(then)) {
            parts.add(Reason.of("part.position").name("part", v.id()).name("position", then));
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
