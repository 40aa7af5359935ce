package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.curve.Ramp;
import earlygate.unit.Line;
import earlygate.unit.SequenceValve;

/** Sequence and counterbalance: begins to open when its pilot stands a setting above its spring chamber. */
final class SequenceElement extends PilotedElement {
    private final int pilot;
    private final int spring;
    private final boolean reverseCheck;

    SequenceElement(SequenceValve v, Network n) {
        super(v.id(), n, v.inlet(), v.outlet(), v.bandPa(), Orifice.coefficient(v.ratedFlow(), v.ratedDrop()));
        pilot = n.lineIndex(v.pilot().orElse(v.inlet()));
        spring = n.lineIndex(v.drain().orElse(Line.TANK));
        reverseCheck = v.reverseCheck();
    }

    private double excess(Balance b) {
        return b.pressure[pilot] - b.pressure[spring];
    }

    @Override
    double open(Balance b, Conditions c) {
        return 1 - Ramp.value(excess(b), c.setting[setting] + band, band);
    }

    @Override
    double openSlope(Balance b, Conditions c) {
        return -Ramp.slope(excess(b), c.setting[setting] + band, band);
    }

    @Override
    void followed(Balance b, double perOpening) {
        b.slope(inlet, outlet, pilot, perOpening);
        b.slope(inlet, outlet, spring, -perOpening);
    }

    @Override
    boolean free(double dropPa) {
        return reverseCheck && dropPa < 0;
    }

    @Override
    double limitOf(int line, Conditions c) {
        return line == pilot && pilot == inlet ? c.setting[setting] + band / 2 : Double.POSITIVE_INFINITY;
    }
}
