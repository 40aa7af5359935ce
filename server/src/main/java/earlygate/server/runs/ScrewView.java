package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.judge.Slope;
import earlygate.quantity.Si;
import earlygate.run.RunState;
import earlygate.run.ScrewHistory;
import earlygate.server.api.Wire;
import earlygate.server.words.Words;
import earlygate.unit.Setting;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/**
 * @param turnsIn from all out; null before an end was touched
 * @param undo turns back to where it stood before this run touched it; {@code undoText} them in words, empty for none
 * @param known well, roughly or hardly: how sure what a turn moves is
 * @param knownFrom when and by whom its slope was learned in an earlier run; empty where none did
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
        double undo,
        String undoText,
        String known,
        String knownFrom,
        String wrench) {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    static ScrewView of(RunState state, Setting s, Words words) {
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
                ScrewHistory.undo(state, s.id()),
                Math.abs(ScrewHistory.undo(state, s.id())) < 1 / 64.0
                        ? ""
                        : Words.turns(Math.abs(ScrewHistory.undo(state, s.id()))),
                m.known().key(),
                ScrewHistory.known(state, s.id())
                        .map(t -> words.say(Reason.of("part.known-from")
                                .name("on", DAY.format(t.at()))
                                .name("by", t.by())))
                        .orElse(""),
                s.screw().wrench());
    }

    private static double perTurn(Setting s, double slope) {
        return s.isPressure() ? Wire.bar(slope) : Wire.figure(slope / (s.kind() == Setting.Kind.FLOW ? Si.LPM : Si.KW));
    }
}
