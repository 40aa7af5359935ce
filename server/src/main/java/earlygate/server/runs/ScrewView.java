package earlygate.server.runs;

import earlygate.judge.Slope;
import earlygate.quantity.Si;
import earlygate.run.RunState;
import earlygate.server.api.Wire;
import earlygate.server.words.Words;
import earlygate.unit.Setting;

/**
 * @param turnsIn from all out; null before an end was touched
 * @param barPerTurn of a flow screw L/min, of a power limiter kW per turn, as {@code perTurnIn} says
 */
public record ScrewView(
        String setting,
        Double turnsIn,
        double travel,
        String turnsText,
        double barPerTurn,
        double barPerTurnError,
        String perTurnIn,
        boolean learned,
        String wrench) {
    static ScrewView of(RunState state, Setting s) {
        Slope m = state.slope(s.id());
        Double turns = state.position(s.id()).isPresent()
                ? (Double) state.position(s.id()).getAsDouble()
                : null;
        return new ScrewView(
                s.id(),
                turns,
                s.screw().travel(),
                turns == null ? "" : Words.turns(turns),
                perTurn(s, m.perTurn()),
                perTurn(s, 2 * m.sd()),
                s.isPressure() ? "bar" : s.kind() == Setting.Kind.FLOW ? "L/min" : "kW",
                m.answers() > 0,
                s.screw().wrench());
    }

    private static double perTurn(Setting s, double slope) {
        return s.isPressure() ? Wire.bar(slope) : Wire.figure(slope / (s.kind() == Setting.Kind.FLOW ? Si.LPM : Si.KW));
    }
}
