package earlygate.run;

import earlygate.judge.NextTurn.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Turns of a step's own screw, and what its goal read after each, as long as nothing else moved. Pa. */
final class TurnHistory {
    /** A gauge that goes further than this share without the screw was misread before, or something else was moved. */
    private static final double WENT = 0.01;

    private final List<Reading> readings = new ArrayList<>();
    private double turnsSince;

    TurnHistory copy() {
        TurnHistory copy = new TurnHistory();
        copy.readings.addAll(readings);
        copy.turnsSince = turnsSince;
        return copy;
    }

    void turned(double turns) {
        turnsSince += turns;
    }

    void read(double measure) {
        double turns = readings.isEmpty() ? 0 : turnsSince;
        if (!readings.isEmpty() && turnsSince == 0 && went(last().reads(), measure)) {
            Reading wrong = readings.remove(readings.size() - 1);
            boolean answered = !readings.isEmpty() && went(last().reads(), wrong.reads());
            // A turn that was answered stands with the reading that was put right; one that was not belongs to a
            // machine
            // that stood otherwise.
            turns = answered ? wrong.turns() : 0;
            if (!answered) {
                readings.clear();
            }
        }
        readings.add(new Reading(turns, measure));
        turnsSince = 0;
    }

    private static boolean went(double from, double to) {
        return Math.abs(to - from) > WENT * Math.abs(from);
    }

    private Reading last() {
        return readings.get(readings.size() - 1);
    }

    boolean isEmpty() {
        return readings.isEmpty();
    }

    /** Net turns since the first reading. */
    double turned() {
        return readings.stream().mapToDouble(Reading::turns).sum();
    }

    /** The last turn that was made before the last reading; 0 before the first. */
    double lastTurn() {
        return readings.stream().mapToDouble(Reading::turns).filter(t -> t != 0).reduce(0, (a, b) -> b);
    }

    /** From the last one on of which the model says that another limiter may have had the gauge: those that tell a slope. */
    List<Reading> own(Optional<GaugeCurve> curve) {
        int from = 0;
        for (int i = 0; i < readings.size(); i++) {
            double reads = readings.get(i).reads();
            if (curve.isPresent() && (curve.get().above(reads) || curve.get().below(reads))) {
                from = i + 1;
            }
        }
        List<Reading> own = new ArrayList<>(readings.subList(from, readings.size()));
        if (!own.isEmpty()) {
            own.set(0, new Reading(0, own.get(0).reads()));
        }
        return List.copyOf(own);
    }
}
