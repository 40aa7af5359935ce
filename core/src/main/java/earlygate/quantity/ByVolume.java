package earlygate.quantity;

import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A flow measured with a can and a clock: "0.5 L in 40 s", "12 L / 1 min". */
public final class ByVolume {
    private static final Pattern INTO_A_CAN = Pattern.compile("(.+?)\\s+(?:in|/)\\s+(.+)");
    /** In the unit of the unit file: no can is larger, nobody waits longer. */
    private static final double MOST = 10_000;

    private ByVolume() {}

    /** @return m3/s; empty for anything else */
    public static OptionalDouble flow(String typed) {
        Matcher m = INTO_A_CAN.matcher(typed == null ? "" : typed.strip());
        if (!m.matches()
                || !(Measure.VOLUME.parse(m.group(1), 0, MOST) instanceof TypedNumber.Accepted litres)
                || !(Measure.TIME.parse(m.group(2), 0, MOST) instanceof TypedNumber.Accepted seconds)
                || seconds.value() <= 0) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(litres.value() * Si.LITRE / seconds.value());
    }
}
