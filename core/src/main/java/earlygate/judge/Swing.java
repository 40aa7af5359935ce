package earlygate.judge;

import java.util.OptionalDouble;

/**
 * The turning points of a gauge that goes to and fro: the highest it came to before it fell, the lowest before it rose.
 * A turning point counts once the gauge has gone back from it by a two-hundredth of full scale. The first one after a
 * {@link #restart} only counts when the gauge was seen to go towards it: a screw that was turned while the pressure stood
 * higher already shows nothing by it.
 */
public final class Swing {
    private final double back;
    private double high = Double.NEGATIVE_INFINITY;
    private double low = Double.POSITIVE_INFINITY;
    private boolean rising;
    private boolean falling;
    private OptionalDouble peak = OptionalDouble.empty();
    private OptionalDouble valley = OptionalDouble.empty();

    /** @param fullScale of the instrument, in the unit of the values */
    public Swing(double fullScale) {
        this.back = fullScale / 200;
    }

    public void add(double value) {
        high = Math.max(high, value);
        low = Math.min(low, value);
        if (!falling && high - value >= back) {
            if (rising) {
                peak = OptionalDouble.of(high);
            }
            rising = false;
            falling = true;
            low = value;
        } else if (!rising && value - low >= back) {
            if (falling) {
                valley = OptionalDouble.of(low);
            }
            falling = false;
            rising = true;
            high = value;
        }
    }

    /** It has come up and has not gone back since: where it stands now is the highest so far. */
    public boolean cameUp() {
        return rising;
    }

    /** Forgets what was seen; the next turning points are new ones. */
    public void restart() {
        high = Double.NEGATIVE_INFINITY;
        low = Double.POSITIVE_INFINITY;
        rising = false;
        falling = false;
        peak = OptionalDouble.empty();
        valley = OptionalDouble.empty();
    }

    /** The last peak; empty while none was gone through. */
    public OptionalDouble peak() {
        return peak;
    }

    public OptionalDouble valley() {
        return valley;
    }
}
