package earlygate.run;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Setting;
import earlygate.judge.ScrewModel;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Turned;
import java.util.HashMap;
import java.util.Map;

/** What the run has learned of each screw: its slope, and how far it stands from all out. */
final class Screws {
    /** Standard deviation of a change between two readings, as a fraction of full scale. */
    private static final double READING_NOISE = 0.002;

    private final PowerUnit unit;
    private final Map<String, ScrewModel> models = new HashMap<>();
    private final Map<String, Double> position = new HashMap<>();
    private final Map<String, Double> foundAt = new HashMap<>();
    private String turning = "";
    private double turnsSince;
    private double last = Double.NaN;

    Screws(PowerUnit unit) {
        this.unit = unit;
        for (Setting s : unit.settings()) {
            models.put(s.id(), ScrewModel.from(s.screw().paPerTurn()));
            position.put(s.id(), 0.0);
        }
    }

    void turned(Step step, Turned t) {
        if (step.action().code().equals("plan.back-out")) {
            // From here the screw's place is known: all out.
            foundAt.merge(t.setting(), -t.turns(), Double::sum);
            return;
        }
        if (step.action().code().equals("plan.all-in")) {
            double travel = unit.setting(t.setting()).screw().travel();
            foundAt.merge(t.setting(), travel - t.turns(), (at, first) -> at - t.turns());
            position.put(t.setting(), travel);
            return;
        }
        position.merge(t.setting(), t.turns(), Double::sum);
        if (!turning.equals(t.setting()) && turnsSince != 0) {
            last = Double.NaN;
        }
        turning = t.setting();
        turnsSince += t.turns();
    }

    /** A reading teaches the slope when one screw alone was turned since the last, and the gauge should have followed. */
    void read(Step step, Reading r) {
        boolean follows = step.goal()
                .filter(g ->
                        g.way() == Step.Way.TURN_TO_READING && g.testPoint().equals(r.instrument()))
                .isPresent();
        if (follows
                && turnsSince != 0
                && !Double.isNaN(last)
                && step.setting().filter(turning::equals).isPresent()) {
            double noise = READING_NOISE * fullScale(r.instrument());
            models.merge(turning, models.get(turning), (m, same) -> m.learn(turnsSince, r.value() - last, noise));
        }
        if (unit.testPoints().stream().anyMatch(t -> t.id().equals(r.instrument()))) {
            last = r.value();
            turnsSince = 0;
        }
    }

    /** Another step: what was turned without being read teaches nothing. */
    void forget() {
        turnsSince = 0;
    }

    private double fullScale(String testPoint) {
        return unit.testPoints().stream()
                .filter(t -> t.id().equals(testPoint))
                .findFirst()
                .orElseThrow()
                .rangePa();
    }

    ScrewModel model(String setting) {
        return models.get(setting);
    }

    /** Turns in from all out. */
    double position(String setting) {
        return position.get(setting);
    }

    /** Turns in from all out at which the unit was found, by the turns to either end; 0 when nobody counted. */
    double foundAt(String setting) {
        return foundAt.getOrDefault(setting, 0.0);
    }
}
