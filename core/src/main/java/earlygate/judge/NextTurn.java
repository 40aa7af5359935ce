package earlygate.judge;

import java.util.List;
import java.util.OptionalDouble;

/**
 * How far to turn a screw next, by what its turns and readings say of it. Against each other stand many ways the screw may
 * be ({@link ScrewFilter}): 0.4 to 1.6 of its data's slope, rising or not, with play or without, made by an exact hand or
 * not, one reading wrong or none; and that another limiter holds the gauge since one of the turns. Of all sixteenths the
 * one with the best chance to end inside the tolerance is advised, as long as its chance to pass the target by two
 * tolerances is under 1.5 % and no way of it passes the limit. Any one unit of pressure. Source: Bayesian model averaging;
 * rules of docs/handbook.md, 6.2.
 */
public sealed interface NextTurn {
    double SIXTEENTH = 1 / 16.0;

    /** @param turns clockwise positive, 0 to read again; where the gauge should come, with 95 % of it between low and high */
    record Turn(double turns, double value, double low, double high) implements NextTurn {}

    /** It is where it should be. */
    record Leave() implements NextTurn {}

    /** A sixteenth is coarser than the tolerance; it stands on the better side. */
    record Finest() implements NextTurn {}

    /** This screw does not have the gauge. */
    record NoGauge() implements NextTurn {}

    /** Even a sixteenth could pass the limit. */
    record Stop() implements NextTurn {}

    /** @param turns since the reading before; 0 for the first */
    record Reading(double turns, double reads) {}

    /**
     * @param slope by the valve's data, per turn; {@code low} and {@code high} the ends of its range
     * @param close so near to the target it is left; {@code tolerance} where no finer end is wanted
     * @param error limit of the gauge by its class; {@code division} between two marks of a dial read by eye, 0 for none
     * @param limit never to be passed
     * @param known what this screw taught on this gauge before, or its data
     * @param most turns at once; infinite where nothing bounds them
     */
    record Ask(
            double slope,
            double low,
            double high,
            List<Reading> history,
            double target,
            double tolerance,
            double close,
            double range,
            double error,
            double division,
            OptionalDouble limit,
            Slope known,
            double most) {}

    /** As it is written: turn, leave, finest, no-gauge, stop. */
    default String key() {
        return this instanceof Turn
                ? "turn"
                : this instanceof Leave
                        ? "leave"
                        : this instanceof Finest ? "finest" : this instanceof Stop ? "stop" : "no-gauge";
    }

    static NextTurn of(Ask ask) {
        return new TurnChoice(ask).advice();
    }

    /** What is known of the slope after the turns and readings of an ask; as before where no turn was answered. */
    static Slope learned(Ask ask) {
        return new ScrewBelief(ask).slope();
    }
}
