package earlygate.unit;

import earlygate.quantity.Keyed;
import java.util.List;

/**
 * A throttle, needle or fixed orifice between two lines; K follows from rated flow (m3/s) at rated drop (Pa).
 *
 * @param atRest opening where nothing is said of it: a throttle is shut, an orifice open
 */
public record Throttle(
        String id, String a, String b, double ratedFlow, double ratedDrop, Purpose purpose, double atRest)
        implements Component {
    public enum Purpose implements Keyed {
        LOAD,
        ISOLATE,
        BLEED
    }

    @Override
    public List<Way> ways() {
        return purpose == Purpose.ISOLATE ? List.of(new Way(a, b, true)) : List.of();
    }
}
