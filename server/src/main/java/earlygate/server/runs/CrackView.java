package earlygate.server.runs;

import earlygate.judge.ReliefEstimate;
import earlygate.plan.Step;
import earlygate.run.ReliefCheck;
import earlygate.run.RunEvent;
import earlygate.run.RunState;
import earlygate.server.api.Wire;
import java.util.Optional;

/**
 * What stood before the fall, as found on the stream or typed, and as a hand marked it; null where there is none.
 *
 * @param onlyHeard marked by hand, and its gauge has not borne it out: it passes nothing yet
 * @param standsBar where the relief itself stands by how far the gauge fell, with 95 % bounds; null where unknown
 */
record CrackView(
        Double foundBar,
        Double tappedBar,
        boolean onlyHeard,
        Double standsBar,
        Double standsLowBar,
        Double standsHighBar) {
    /** Null before it cracked. */
    static CrackView of(RunState state, Step step) {
        var record = state.record(step.id());
        if (record.crackedEvent().isEmpty()) {
            return null;
        }
        Optional<ReliefEstimate> stands = ReliefCheck.of(state, step);
        return new CrackView(
                record.cracked()
                        .filter(c -> c.source() != RunEvent.Source.TAPPED)
                        .map(c -> Wire.bar(c.pressurePa()))
                        .orElse(null),
                record.tapped().map(c -> Wire.bar(c.pressurePa())).orElse(null),
                ReliefCheck.onlyHeard(state, step),
                stands.map(p -> Wire.bar(p.settingPa())).orElse(null),
                stands.map(p -> Wire.bar(p.low())).orElse(null),
                stands.map(p -> Wire.bar(p.high())).orElse(null));
    }
}
