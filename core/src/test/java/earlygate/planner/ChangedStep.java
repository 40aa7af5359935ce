package earlygate.planner;

import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.unit.Situation;
import java.util.List;

/** A step with one thing changed. */
final class ChangedStep {
    private ChangedStep() {}

    static Step expecting(Step s, java.util.function.UnaryOperator<Expect> change) {
        return copy(s, s.situation(), s.expect().stream().map(change).toList(), s.moves());
    }

    static Step standing(Step s, Situation at) {
        return copy(s, at, s.expect(), s.moves());
    }

    static Step moving(Step s, List<Move> moves) {
        return copy(s, s.situation(), s.expect(), moves);
    }

    private static Step copy(Step s, Situation at, List<Expect> expect, List<Move> moves) {
        return new Step(
                s.id(),
                s.kind(),
                s.setting(),
                s.goal(),
                s.action(),
                s.why(),
                s.inControl(),
                at,
                expect,
                s.ifNot(),
                s.cautions(),
                s.tool(),
                s.people(),
                s.minutes(),
                s.unprotected(),
                s.demand(),
                s.notes(),
                s.does(),
                moves);
    }
}
