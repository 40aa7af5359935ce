package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.network.Conditions;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.quantity.Si;
import earlygate.solve.NoBalance;
import earlygate.solve.Transient;
import earlygate.unit.Line;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Before a fitting is opened every line is empty: each starts at the most that it ever stood at, and the steps with the
 * drives off are run in time, through whatever they open.
 */
final class LinesEmptied implements Check {
    /** As it was found: nobody knows; a tenth of the rating shows whether it goes. */
    private static final double AS_FOUND = 0.1;
    /** Pa; what a bleed doesn't spit any more. */
    private static final double NOTHING = 2 * Si.BAR;
    /** s that a hand holds each way open. */
    private static final double HELD_S = 20;

    private static final double STEP_S = 0.5;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        Map<String, Double> stored = new TreeMap<>();
        replay.unit.lines().forEach(l -> stored.put(l.id(), AS_FOUND * l.ratingPa()));
        Situation ran = Situation.AS_THE_FILE;
        for (Replay.ReplayedStep s : replay.steps()) {
            if (opens(s.step())
                    && (replay.unit.at(s.before()).anyDriveRuns()
                            || replay.unit.at(s.at()).anyDriveRuns())) {
                found.add(new Violation(Point.LET_DOWN, s.step().id(), Reason.of("audit.opened-running")));
                return found;
            }
            if (replay.unit.at(s.at()).anyDriveRuns()) {
                s.state().ifPresent(x -> x.pressures().forEach((line, pa) -> stored.merge(line, pa, Math::max)));
                ran = Situation.AS_THE_FILE;
                continue;
            }
            s.step().moves().stream().filter(m -> m.kind() == Move.Kind.DRAIN).forEach(m -> stored.put(m.id(), 0.0));
            if (opens(s.step())) {
                stored.entrySet().stream()
                        .filter(e -> e.getValue() > NOTHING)
                        .findFirst()
                        .ifPresent(e -> found.add(new Violation(
                                Point.LET_DOWN,
                                s.step().id(),
                                Reason.of("audit.pressure-left")
                                        .name("line", e.getKey())
                                        .pressure("pressure", e.getValue()))));
                if (!found.isEmpty()) {
                    return found;
                }
            } else if (!s.at().equals(ran) && stored.values().stream().anyMatch(p -> p > NOTHING)) {
                run(replay, s, stored);
                ran = s.at();
            }
        }
        return found;
    }

    /** A gauge or gear goes on or comes off. */
    private static boolean opens(Step s) {
        return s.moves().stream().anyMatch(m -> m.kind() == Move.Kind.FIT || m.kind() == Move.Kind.REMOVE);
    }

    private static void run(Replay replay, Replay.ReplayedStep s, Map<String, Double> stored) {
        if (s.state().isEmpty()) {
            return;
        }
        Conditions c = replay.model.network().conditions(s.at());
        Transient machine = replay.model.inMotion();
        machine.restore(new HashMap<>(stored), c);
        try {
            for (double t = 0; t < HELD_S; t += STEP_S) {
                machine.advance(c, STEP_S);
            }
        } catch (NoBalance unknown) {
            // Not known to have fallen: what was stored is still there.
            return;
        }
        for (Line l : replay.unit.lines()) {
            stored.put(l.id(), Math.max(0, machine.pressure(l.id())));
        }
    }
}
