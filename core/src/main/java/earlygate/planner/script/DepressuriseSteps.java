package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.plan.Move;
import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import earlygate.solve.Model;
import earlygate.solve.NoBalance;
import earlygate.solve.Transient;
import earlygate.unit.Line;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Pressure let out of every line with the drives off: hand valves open, every lever worked through its positions so that
 * work ports and signal lines fall too; then zero is proved on each gauge.
 */
final class DepressuriseSteps {
    /** How long each way is held, s, and below what a line is empty, Pa. */
    private static final double HELD_S = 20;

    private static final double STEP_S = 0.5;
    private static final double EMPTY = 1e5;

    private DepressuriseSteps() {}

    /** Of a machine that has run: what its pumps leave behind would be shut into a work port by a lever that is moved too soon. */
    static void afterRunning(Site site) {
        write(site, true);
    }

    static void write(Site site) {
        write(site, false);
    }

    private static void write(Site site, boolean ran) {
        Rehearsal m = site.rehearsal();
        PowerUnit unit = site.unit();
        Situation open = site.stopped(m.situation).allBlocked();
        List<Situation> ways = new ArrayList<>();
        for (Throttle t : site.handValves()) {
            open = open.withOpening(t.id(), 1);
        }
        open = open.withGearOpen(1);
        m.go(open);
        ways.add(open);
        site.script().arrange(Set.of());
        List<Positioned> levers = unit.all(Positioned.class).stream()
                .filter(v -> !v.moved().isEmpty())
                .toList();
        if (ran && !levers.isEmpty()) {
            fallsFirst(site, open);
        }
        int most = levers.stream().mapToInt(v -> v.moved().size()).max().orElse(0);
        for (int i = 0; i < most; i++) {
            Situation s = m.situation;
            for (Positioned v : levers) {
                s = s.withPosition(v.id(), v.moved().get(Math.min(i, v.moved().size() - 1)));
            }
            m.go(s);
            ways.add(s);
            site.script().arrange(Set.of());
        }
        m.go(m.situation.centred(unit));
        site.script().arrange(Set.of());
        for (String line : left(site.model(), ways)) {
            site.script()
                    .step(Kind.CHECK, of("plan.drain").name("line", line))
                    .why(of("plan.why.drain").name("line", line))
                    .handles(Move.of(Move.Kind.DRAIN, line))
                    .caution("injection", "stored-pressure")
                    .minutes(2)
                    .add();
        }
    }

    /** Each pump line that empties by itself is waited for. */
    private static void fallsFirst(Site site, Situation open) {
        PowerUnit unit = site.unit();
        List<String> left = left(site.model(), List.of(open));
        for (TestPoint gauge : unit.testPoints()) {
            if (!unit.pumpsInto(gauge.line()).isEmpty() && !left.contains(gauge.line())) {
                site.script()
                        .step(Kind.TEST, of("plan.falls-first").name("gauge", gauge.id()))
                        .why(of("plan.why.falls-first").name("line", gauge.line()))
                        .expect(site.readings().zero(gauge))
                        .ifNot(of("plan.if-not.pressure-left"))
                        .caution("stored-pressure")
                        .add();
            }
        }
    }

    /** Lines that none of these ways empties, run in time from half their rating: they need a bleed of their own. */
    private static List<String> left(Model model, List<Situation> ways) {
        PowerUnit unit = model.unit();
        Network network = model.network();
        Transient machine = model.inMotion();
        Map<String, Double> full = new HashMap<>();
        unit.lines().forEach(l -> full.put(l.id(), l.ratingPa() / 2));
        machine.restore(full, network.conditions(ways.get(0)));
        for (Situation s : ways) {
            Conditions c = network.conditions(s);
            try {
                for (double t = 0; t < HELD_S; t += STEP_S) {
                    machine.advance(c, STEP_S);
                }
            } catch (NoBalance unknown) {
                // What the model can't follow nobody relies on: every line is let down at its bleed.
                return unit.lines().stream().map(Line::id).toList();
            }
        }
        return unit.lines().stream()
                .map(Line::id)
                .filter(id -> machine.pressure(id) > EMPTY)
                .toList();
    }

    static void proveZero(Site site, String code) {
        for (TestPoint gauge : site.unit().testPoints()) {
            site.script()
                    .step(Kind.TEST, of(code).name("gauge", gauge.id()).name("line", gauge.line()))
                    .why(of("plan.why.prove-zero"))
                    .demand(Demand.ZERO)
                    .expect(site.readings().zero(gauge))
                    .ifNot(of("plan.if-not.pressure-left"))
                    .caution("injection", "stored-pressure")
                    .minutes(2)
                    .add();
        }
    }
}
