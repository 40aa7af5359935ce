package earlygate.judge;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.OptionalDouble;

/**
 * The turning points of a gauge that goes to and fro: the highest it came to before it fell, the lowest before it rose.
 * A turning point counts once the gauge has gone back from it by a two-hundredth of full scale, and stays there: a knocked
 * hose is none. The first one after a {@link #restart} only counts when the gauge was seen to go towards it: a screw that
 * was turned while the pressure stood higher already shows nothing by it. Source: running medians.
 */
public final class Swing {
    /** A knock has faded after so long; the height of a turning point is told by so much of it. */
    private static final double STAYS_S = 1.2;

    private static final double HEIGHT_S = 0.12;

    private final double back;
    private final Deque<double[]> recent = new ArrayDeque<>();
    private double high = Double.NEGATIVE_INFINITY;
    private double low = Double.POSITIVE_INFINITY;
    private double top = Double.NEGATIVE_INFINITY;
    private double bottom = Double.POSITIVE_INFINITY;
    private boolean rising;
    private boolean falling;
    private OptionalDouble peak = OptionalDouble.empty();
    private OptionalDouble valley = OptionalDouble.empty();

    /** @param fullScale of the instrument, in the unit of the values */
    public Swing(double fullScale) {
        this.back = fullScale / 200;
    }

    public void add(double timeS, double value) {
        recent.addLast(new double[] {timeS, value});
        while (timeS - recent.peekFirst()[0] > STAYS_S) {
            recent.removeFirst();
        }
        double shown = median(timeS, HEIGHT_S);
        double stays = median(timeS, STAYS_S);
        high = Math.max(high, stays);
        low = Math.min(low, stays);
        top = Math.max(top, shown);
        bottom = Math.min(bottom, shown);
        if (!falling && high - stays >= back) {
            if (rising) {
                peak = OptionalDouble.of(top);
            }
            rising = false;
            falling = true;
            low = stays;
            bottom = stays;
        } else if (!rising && stays - low >= back) {
            if (falling) {
                valley = OptionalDouble.of(bottom);
            }
            falling = false;
            rising = true;
            high = stays;
            top = stays;
        }
    }

    private double median(double now, double seconds) {
        return median(recent.stream()
                .filter(s -> now - s[0] <= seconds)
                .mapToDouble(s -> s[1])
                .toArray());
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        int n = values.length;
        return (values[(n - 1) / 2] + values[n / 2]) / 2;
    }

    /** It has gone down and has not come up since: where it stands now is not the highest. */
    public boolean wentDown() {
        return falling;
    }

    /** Forgets what was seen; the next turning points are new ones. */
    public void restart() {
        recent.clear();
        high = Double.NEGATIVE_INFINITY;
        low = Double.POSITIVE_INFINITY;
        top = Double.NEGATIVE_INFINITY;
        bottom = Double.POSITIVE_INFINITY;
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
