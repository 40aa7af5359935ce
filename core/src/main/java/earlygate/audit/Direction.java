package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Move;
import earlygate.unit.Setting;
import java.util.ArrayList;
import java.util.List;

/** A screw is said to be turned the way in which its setting goes, and about as far. */
final class Direction implements Check {
    /** Turns; half a sixteenth is rounding. */
    private static final double ROUNDING = 1 / 32.0 + 1e-9;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            for (Move m : s.step().moves()) {
                if (m.kind() == Move.Kind.TURN) {
                    Setting x = replay.unit.setting(m.id());
                    double asks = (replay.unit.at(s.at()).setting(x.id())
                                    - replay.unit.at(s.before()).setting(x.id()))
                            / x.screw().paPerTurn();
                    if (Math.abs(asks - m.amount()) > ROUNDING) {
                        found.add(new Violation(
                                Point.DIRECTION,
                                s.step().id(),
                                Reason.of("audit.turns")
                                        .name("setting", x.id())
                                        .turns("said", m.amount())
                                        .turns("asked", asks)));
                    }
                }
            }
        }
        return found;
    }
}
