package earlygate.run;

import earlygate.judge.ScrewModel;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Turned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the run has learned of each screw: its slope, and how far it stands from all out once an end was touched. */
final class Screws {
    /** Standard deviation of a change between two readings, as a fraction of full scale. */
    private static final double READING_NOISE = 0.002;

    private final PowerUnit unit;
    private final Answers answers;
    private final Map<String, ScrewModel> models = new HashMap<>();
    private final Map<String, Double> net = new HashMap<>();
    private final Map<String, Double> position = new HashMap<>();
    private final Map<String, Double> foundAt = new HashMap<>();
    private final Map<String, Double> firstRead = new HashMap<>();
    private final Map<String, Long> lastTurn = new HashMap<>();
    private String step = "";
    private double turnsSince;
    private OptionalDouble last = OptionalDouble.empty();
    private boolean othersTurned;

    Screws(PowerUnit unit, Answers answers) {
        this.unit = unit;
        this.answers = answers;
        for (Setting s : unit.settings()) {
            models.put(s.id(), ScrewModel.from(s.screw().paPerTurn()));
        }
    }

    void turned(long seq, Step at, Turned t) {
        if (!models.containsKey(t.setting())) {
            return;
        }
        net.merge(t.setting(), t.turns(), Double::sum);
        position.computeIfPresent(t.setting(), (id, p) -> p + t.turns());
        if (t.turns() != 0) {
            lastTurn.put(t.setting(), seq);
        }
        boolean own = at.setting().filter(t.setting()::equals).isPresent();
        if (t.atEnd()) {
            boolean inward = t.turns() > 0 || t.turns() == 0 && own && at.goesAllIn();
            double end = inward ? unit.setting(t.setting()).screw().travel() : 0;
            // Counted from an end, the first one that is touched says how it was found.
            foundAt.putIfAbsent(t.setting(), end - net.get(t.setting()));
            position.put(t.setting(), end);
        }
        if (own) {
            turnsSince += t.turns();
        } else {
            othersTurned |= t.turns() != 0;
        }
    }

    /** A measure teaches the slope when the step's screw alone was turned since the last, and the gauge was its own. */
    void measured(Step at, String gauge, double measure) {
        String setting = at.setting().orElse("");
        if (!models.containsKey(setting)) {
            return;
        }
        boolean first = net.getOrDefault(setting, 0.0) == 0 && at.kind() == Step.Kind.SET;
        if (first) {
            firstRead.putIfAbsent(setting, measure);
        }
        boolean same = step.equals(at.id()) && last.isPresent() && !othersTurned;
        boolean teaches = same && turnsSince != 0 && at.measured().isPresent() && !at.cracks();
        if (teaches && own(at, last.getAsDouble()) && own(at, measure)) {
            double change = measure - last.getAsDouble();
            double noise = READING_NOISE * unit.testPoint(gauge).rangePa();
            models.merge(setting, models.get(setting), (m, old) -> m.learn(turnsSince, change, noise));
        }
        step = at.id();
        last = OptionalDouble.of(measure);
        turnsSince = 0;
        othersTurned = false;
    }

    /** By the model the screw has the gauge at this reading, and no other limiter is near. */
    private boolean own(Step at, double reading) {
        Optional<GaugeCurve> curve = answers.curve(at);
        return curve.isEmpty() || !curve.get().above(reading) && !curve.get().below(reading);
    }

    /** Another step, another arrangement: what was turned before it teaches nothing. */
    void forget() {
        step = "";
        last = OptionalDouble.empty();
        turnsSince = 0;
        othersTurned = false;
    }

    ScrewModel model(String setting) {
        return models.get(setting);
    }

    /** Turns in from all out; empty before an end was touched. */
    OptionalDouble position(String setting) {
        return optional(position.get(setting));
    }

    /** Turns in from all out at which the unit was found; empty where nobody counted to an end. */
    OptionalDouble foundAt(String setting) {
        return optional(foundAt.get(setting));
    }

    /** The first measure of a setting before its screw was touched at all, Pa. */
    OptionalDouble firstRead(String setting) {
        return optional(firstRead.get(setting));
    }

    /** Sequence number of the last turn; 0 before the first. */
    long lastTurn(String setting) {
        return lastTurn.getOrDefault(setting, 0L);
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
