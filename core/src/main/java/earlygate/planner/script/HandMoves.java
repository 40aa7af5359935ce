package earlygate.planner.script;

import earlygate.explain.Reason;
import earlygate.plan.Move;
import earlygate.solve.SteadyState;
import earlygate.unit.Accumulator;
import earlygate.unit.Driver;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a hand moves between two situations, screws left out: drives stopped first and started last. */
public final class HandMoves {
    private static final double SAME_OPENING = 1e-3;

    private HandMoves() {}

    /** Each difference as it is said, but for the parts that a sentence already names. */
    static List<Reason> between(
            PowerUnit unit, Situation from, Situation to, Set<String> said, Optional<SteadyState> shows) {
        List<Reason> parts = new ArrayList<>();
        List<Reason> starts = new ArrayList<>();
        for (Driver d : unit.all(Driver.class)) {
            if (!said.contains(d.id())
                    && unit.at(from).isRunning(d) != unit.at(to).isRunning(d)) {
                (unit.at(to).isRunning(d) ? starts : parts)
                        .add(Reason.of(unit.at(to).isRunning(d) ? "part.running" : "part.stopped")
                                .name("part", d.id()));
            }
        }
        gear(unit, from, to, said, shows, parts);
        for (String actuator : unit.actuators()) {
            if (blocked(from, actuator) != blocked(to, actuator)) {
                parts.add(Reason.of(blocked(to, actuator) ? "part.blocked" : "part.freed")
                        .name("part", actuator));
            }
        }
        for (Throttle t : unit.all(Throttle.class)) {
            double then = unit.at(to).opening(t);
            if (!said.contains(t.id()) && Math.abs(unit.at(from).opening(t) - then) > SAME_OPENING) {
                parts.add(opened(unit, t.id(), List.of(t.a(), t.b()), then, shows));
            }
        }
        unit.all(Positioned.class).forEach(v -> valve(unit, v, from, to, said, parts));
        parts.addAll(starts);
        return parts;
    }

    /** Each difference as a move, drives stopped first and started last. */
    public static List<Move> moves(PowerUnit unit, Situation from, Situation to) {
        List<Move> moves = new ArrayList<>();
        List<Move> starts = new ArrayList<>();
        for (Driver d : unit.all(Driver.class)) {
            if (unit.at(from).isRunning(d) != unit.at(to).isRunning(d)) {
                (unit.at(to).isRunning(d) ? starts : moves)
                        .add(Move.of(unit.at(to).isRunning(d) ? Move.Kind.START : Move.Kind.STOP, d.id()));
            }
        }
        for (String id : from.gear().keySet()) {
            if (!to.gear().containsKey(id)) {
                moves.add(Move.of(Move.Kind.REMOVE, id));
            }
        }
        to.gear().forEach((id, at) -> {
            Situation.Between before = from.gear().get(id);
            if (before == null || !before.a().equals(at.a())) {
                moves.add(Move.fit(id, at.a(), at.opening()));
            } else if (Math.abs(before.opening() - at.opening()) > SAME_OPENING) {
                moves.add(Move.open(id, at.opening()));
            }
        });
        meters(from, to, moves);
        for (Throttle t : unit.all(Throttle.class)) {
            if (Math.abs(unit.at(from).opening(t) - unit.at(to).opening(t)) > SAME_OPENING) {
                moves.add(Move.open(t.id(), unit.at(to).opening(t)));
            }
        }
        for (Positioned v : unit.all(Positioned.class)) {
            String then = unit.at(to).position(v);
            if (!unit.at(from).position(v).equals(then)) {
                moves.add(Move.shift(v.id(), then));
            }
        }
        for (String actuator : unit.actuators()) {
            if (blocked(from, actuator) != blocked(to, actuator)) {
                moves.add(Move.of(blocked(to, actuator) ? Move.Kind.BLOCK : Move.Kind.FREE, actuator));
            }
        }
        moves.addAll(starts);
        return moves;
    }

    /** Hands first, then the screws that stand otherwise than before. */
    public static List<Move> withScrews(PowerUnit unit, Situation from, Situation to) {
        List<Move> all = new ArrayList<>(moves(unit, from, to));
        for (Setting x : unit.settings()) {
            double before = unit.at(from).setting(x.id());
            double now = unit.at(to).setting(x.id());
            if (before != now) {
                all.add(Move.turn(
                        x.id(), Site.sixteenths((now - before) / x.screw().paPerTurn())));
            }
        }
        return all;
    }

    private static void meters(Situation from, Situation to, List<Move> moves) {
        from.metered().keySet().stream()
                .filter(id -> !to.metered().containsKey(id))
                .forEach(id -> moves.add(Move.of(Move.Kind.REMOVE, id)));
        to.metered().entrySet().stream()
                .filter(e -> !e.getValue().equals(from.metered().get(e.getKey())))
                .forEach(e -> moves.add(Move.fit(e.getKey(), e.getValue(), 0)));
    }

    private static boolean blocked(Situation s, String actuator) {
        return s.blocked().isEmpty() || s.blocked().get().contains(actuator);
    }

    private static void gear(
            PowerUnit unit,
            Situation from,
            Situation to,
            Set<String> said,
            Optional<SteadyState> shows,
            List<Reason> parts) {
        from.gear().keySet().stream()
                .filter(id -> !to.gear().containsKey(id) && !said.contains(id))
                .forEach(id -> parts.add(Reason.of("part.taken-off").name("part", id)));
        from.metered().keySet().stream()
                .filter(id -> !to.metered().containsKey(id) && !said.contains(id))
                .forEach(id -> parts.add(Reason.of("part.taken-off").name("part", id)));
        to.metered().entrySet().stream()
                .filter(e -> !e.getValue().equals(from.metered().get(e.getKey())))
                .forEach(e -> parts.add(
                        Reason.of("part.metered").name("part", e.getKey()).name("component", e.getValue())));
        to.gear().forEach((id, at) -> {
            Situation.Between before = from.gear().get(id);
            if (before == null || !before.a().equals(at.a())) {
                parts.add(Reason.of("part.fitted").name("part", id).name("line", at.a()));
            }
            if (before == null || Math.abs(before.opening() - at.opening()) > SAME_OPENING) {
                parts.add(opened(unit, id, List.of(at.a(), at.b()), at.opening(), shows));
            }
        });
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

    /** Part of the way: until a gauge on one of its lines shows what it shows then; per cent only helps on the way there. */
    private static Reason opened(
            PowerUnit unit, String valve, List<String> lines, double opening, Optional<SteadyState> shows) {
        if (opening == 0 || opening == 1) {
            return Reason.of(opening == 0 ? "part.shut" : "part.open").name("part", valve);
        }
        // On an accumulator that is being charged no gauge stands.
        boolean stands = unit.all(Accumulator.class).isEmpty();
        Optional<TestPoint> gauge = lines.stream()
                .flatMap(line -> unit.gaugesOn(line).stream())
                .filter(g -> stands && shows.isPresent() && shows.get().pressure(g.line()) > g.errorPa())
                .findFirst();
        return gauge.isPresent()
                ? Reason.of("part.opened-until")
                        .name("part", valve)
                        .name("gauge", gauge.get().id())
                        .pressure("shows", shows.get().pressure(gauge.get().line()))
                        .ratio("opening", opening)
                : Reason.of("part.opening").name("part", valve).ratio("opening", opening);
    }

    private static void valve(
            PowerUnit unit, Positioned v, Situation from, Situation to, Set<String> said, List<Reason> parts) {
        String then = unit.at(to).position(v);
        if (!said.contains(v.id()) && !unit.at(from).position(v).equals(then)) {
            parts.add(Reason.of("part.position").name("part", v.id()).name("position", v.word(then)));
        }
    }
}
