package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.curve.Ramp;
import earlygate.unit.UnloadingValve;

/**
 * Opened by another line. The differential type has a history: it opens at its setting and shuts a differential below;
 * where nothing has gone before, it stands as a plain one.
 */
final class UnloadingElement extends PilotedElement {
    private final int pilot;
    private final int index;
    private final boolean latches;
    private final double differential;

    UnloadingElement(UnloadingValve v, Network n, int index) {
        super(v.id(), n, v.inlet(), v.outlet(), v.bandPa(), Orifice.coefficient(v.ratedFlow(), v.ratedDrop()));
        this.index = index;
        pilot = n.lineIndex(v.pilot());
        differential = v.differential().orElse(0);
        latches = differential > 0;
    }

    private boolean latched(Conditions c) {
        return latches && c.latch[index] != Conditions.Latch.NO_HISTORY;
    }

    @Override
    double open(Balance b, Conditions c) {
        return latched(c)
                ? c.latch[index] == Conditions.Latch.OPEN ? 1 : 0
                : 1 - Ramp.value(b.pressure[pilot], c.setting[setting] + band, band);
    }

    @Override
    double openSlope(Balance b, Conditions c) {
        return latched(c) ? 0 : -Ramp.slope(b.pressure[pilot], c.setting[setting] + band, band);
    }

    @Override
    void followed(Balance b, double perOpening) {
        b.slope(inlet, outlet, pilot, perOpening);
    }

    /** It is open or shut; which, only time tells. */
    @Override
    void after(Balance b, Conditions c) {
        if (!latches) {
            return;
        }
        double p = b.pressure[pilot];
        double s = c.setting[setting];
        if (p >= s) {
            c.latch[index] = Conditions.Latch.OPEN;
        } else if (p <= s * (1 - differential) || c.latch[index] == Conditions.Latch.NO_HISTORY) {
            c.latch[index] = Conditions.Latch.SHUT;
        }
    }

    @Override
    double limitOf(int line, Conditions c) {
        return line == pilot && pilot == inlet ? c.setting[setting] + band / 2 : Double.POSITIVE_INFINITY;
    }
}
