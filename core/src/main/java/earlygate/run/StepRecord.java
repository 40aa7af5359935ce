package earlygate.run;

import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a run holds of one step; grows while events are folded, then is only read. */
public final class StepRecord {
    private final Map<String, RunEvent> latest = new HashMap<>();
    private final List<RunEvent> readings = new ArrayList<>();
    private RunEvent cracked;
    private String deviation;
    private RunEvent done;
    private double turnsSinceReading;
    private double turned;
    private int attempts = 1;

    void reading(RunEvent event, Reading r) {
        latest.put(r.instrument(), event);
        readings.add(event);
        turnsSinceReading = 0;
    }

    void cracked(RunEvent event) {
        cracked = event;
    }

    void turned(double turns) {
        turned += turns;
        turnsSinceReading += turns;
    }

    void deviation(String reason) {
        deviation = reason;
    }

    void again() {
        latest.clear();
        cracked = null;
        deviation = null;
        turnsSinceReading = 0;
        attempts++;
    }

    void done(RunEvent event) {
        done = event;
    }

    /** The last reading of an instrument in this step. */
    public Optional<Reading> reading(String instrument) {
        return readingEvent(instrument).map(e -> (Reading) e.body());
    }

    public Optional<RunEvent> readingEvent(String instrument) {
        return Optional.ofNullable(latest.get(instrument));
    }

    /** Every reading ever taken here, also those before the step was begun again. */
    public List<RunEvent> readings() {
        return List.copyOf(readings);
    }

    public Optional<Cracked> cracked() {
        return crackedEvent().map(e -> (Cracked) e.body());
    }

    public Optional<RunEvent> crackedEvent() {
        return Optional.ofNullable(cracked);
    }

    public Optional<String> deviation() {
        return Optional.ofNullable(deviation);
    }

    public boolean isDone() {
        return done != null;
    }

    public Optional<Instant> doneAt() {
        return Optional.ofNullable(done).map(RunEvent::at);
    }

    /** 1, and one more each time it was begun again. */
    public int attempts() {
        return attempts;
    }

    /** Turns of this step's own adjuster, clockwise positive. */
    public double turned() {
        return turned;
    }

    /** True when the reading is older than the last turn. */
    public boolean turnedSinceReading() {
        return turnsSinceReading != 0;
    }
}
