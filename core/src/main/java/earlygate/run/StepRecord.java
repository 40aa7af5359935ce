package earlygate.run;

import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.LeftOut;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.Point;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.Turned;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a run holds of one step; grows while events are folded, then is only read. What is read stands until something is
 * turned or moved in the step; a deviation stands until anything is read, turned or moved.
 */
public final class StepRecord {
    /** What of all that can be handled moves the pressures of a line. */
    static final List<String> MOVES_THE_LINE = List.of("start", "stop", "open", "shift", "vent");

    private final Step step;
    private final Map<String, RunEvent> latest = new HashMap<>();
    private final Map<String, Double> turnedBy = new LinkedHashMap<>();
    private final Map<String, RunEvent> notes = new LinkedHashMap<>();
    private final List<RunEvent> points = new ArrayList<>();
    private final Map<Long, String> leftOut = new HashMap<>();
    private RunEvent detected;
    private RunEvent tapped;
    private boolean tapStands;
    private RunEvent deviation;
    private RunEvent done;
    private OptionalDouble lastHeld = OptionalDouble.empty();
    private boolean touchedEnd;
    private boolean loadOpened;
    private boolean loadShut;
    private boolean shifted;
    private int attempts = 1;

    StepRecord(Step step) {
        this.step = step;
    }

    private StepRecord(StepRecord other) {
        step = other.step;
        latest.putAll(other.latest);
        turnedBy.putAll(other.turnedBy);
        notes.putAll(other.notes);
        points.addAll(other.points);
        leftOut.putAll(other.leftOut);
        detected = other.detected;
        tapped = other.tapped;
        tapStands = other.tapStands;
        deviation = other.deviation;
        done = other.done;
        lastHeld = other.lastHeld;
        touchedEnd = other.touchedEnd;
        loadOpened = other.loadOpened;
        loadShut = other.loadShut;
        shifted = other.shifted;
        attempts = other.attempts;
    }

    StepRecord copy() {
        return new StepRecord(this);
    }

    /** @return the measure of the step's goal, where this reading completes one */
    OptionalDouble reading(RunEvent event, Reading r) {
        latest.put(r.instrument(), event);
        if (!r.instrument().equals(earlygate.plan.Expect.OIL)) {
            deviation = null;
        }
        if (step.goal().isEmpty() || !step.goal().get().reads(r.instrument())) {
            return OptionalDouble.empty();
        }
        return measure();
    }

    void cracked(RunEvent event, Cracked c) {
        lastHeld = OptionalDouble.of(c.pressurePa());
        if (c.source() == Source.TAPPED) {
            tapped = event;
            tapStands = true;
        } else {
            detected = event;
        }
        deviation = null;
    }

    void turned(Turned t) {
        turnedBy.merge(t.setting(), t.turns(), Double::sum);
        if (step.setting().filter(t.setting()::equals).isPresent()) {
            // Turned away from its end again, it no longer stands there.
            touchedEnd = t.atEnd() && (t.turns() == 0 || t.turns() > 0 == step.goesAllIn());
        }
        if (t.turns() != 0) {
            RunEvent heard = tapped;
            forgetReadings();
            // Backed out further it stands elsewhere; that it was heard there stays beside what is found.
            tapped = t.turns() < 0 && step.setting().filter(t.setting()::equals).isPresent() ? heard : null;
        }
    }

    /** A handle was moved: what was read before says nothing about the machine as it stands now. */
    void handled(Handled h) {
        boolean letGo =
                h.action().equals("stop") || h.action().equals("open") && !h.to().equals("0") && !h.to().equals("0.0");
        if (letGo || h.action().equals("open") || h.action().equals("start")) {
            loadShut = loadOpened && !letGo;
            loadOpened |= letGo;
        }
        shifted |= h.action().equals("shift");
        if (MOVES_THE_LINE.contains(h.action()) || h.action().equals("nut") && step.kind() == Step.Kind.LOCK) {
            forgetReadings();
        }
    }

    /** The drive went off by itself. */
    void stopped() {
        forgetReadings();
    }

    private void forgetReadings() {
        latest.keySet().removeIf(id -> !id.equals(earlygate.plan.Expect.OIL));
        detected = null;
        tapped = null;
        tapStands = false;
        deviation = null;
    }

    /** Moving the load does not void the points of a curve; beginning the step again does. */
    void curve(RunEvent event) {
        if (event.body() instanceof LeftOut l) {
            leftOut.put(l.point(), l.reason());
        } else {
            points.add(event);
        }
        deviation = null;
    }

    void noted(RunEvent event, Noted n) {
        notes.put(n.note(), event);
    }

    void deviation(RunEvent event) {
        deviation = event;
    }

    void again() {
        lastHeld = OptionalDouble.empty();
        points.clear();
        leftOut.clear();
        latest.clear();
        forgetReadings();
        loadOpened = false;
        loadShut = false;
        shifted = false;
        attempts++;
    }

    /** To be done once more from its beginning; what was turned before is another story. */
    void reopen() {
        again();
        turnedBy.clear();
        touchedEnd = false;
        done = null;
    }

    void done(RunEvent event) {
        done = event;
    }

    /** The points of its curve, in the order in which they were taken; their bodies are {@link Point}s. */
    public List<RunEvent> points() {
        return List.copyOf(points);
    }

    /** Why a point is left out of the fit; empty for one that counts. */
    public Optional<String> leftOut(long seq) {
        return Optional.ofNullable(leftOut.get(seq));
    }

    /** The last reading of an instrument that still stands. */
    public Optional<Reading> reading(String instrument) {
        return readingEvent(instrument).map(e -> (Reading) e.body());
    }

    public Optional<RunEvent> readingEvent(String instrument) {
        return Optional.ofNullable(latest.get(instrument));
    }

    /** What the goal is judged by, Pa: one gauge, or the difference of two; empty until all of it is read. */
    public OptionalDouble measure() {
        Goal goal = step.goal().orElse(null);
        if (goal == null || reading(goal.testPoint()).isEmpty()) {
            return OptionalDouble.empty();
        }
        double value = reading(goal.testPoint()).get().value();
        if (goal.minus().isEmpty()) {
            return OptionalDouble.of(value);
        }
        return reading(goal.minus().get())
                .map(low -> OptionalDouble.of(value - low.value()))
                .orElse(OptionalDouble.empty());
    }

    /** The crack that counts: the one found on the stream, else the one marked by hand. */
    public Optional<RunEvent> crackedEvent() {
        return Optional.ofNullable(detected != null ? detected : tapStands ? tapped : null);
    }

    public Optional<Cracked> cracked() {
        return crackedEvent().map(e -> (Cracked) e.body());
    }

    /** What was held at the last crack that was found in it, whatever became of it, Pa. */
    OptionalDouble lastHeld() {
        return lastHeld;
    }

    /** The crack that was found on the stream, or typed. */
    Optional<RunEvent> detected() {
        return Optional.ofNullable(detected);
    }

    /** The crack that a hand marked, kept beside the one that was found. */
    public Optional<Cracked> tapped() {
        return Optional.ofNullable(tapped).map(e -> (Cracked) e.body());
    }

    public Optional<Deviation> deviation() {
        return Optional.ofNullable(deviation).map(e -> (Deviation) e.body());
    }

    public boolean isDone() {
        return done != null;
    }

    /** Sequence number of the event that ended it; the largest number while it is open. */
    long doneSeq() {
        return done == null ? Long.MAX_VALUE : done.seq();
    }

    /** 1, and one more each time it was begun again. */
    public int attempts() {
        return attempts;
    }

    /** Net turns of this step's own adjuster, clockwise positive. */
    public double turned() {
        return step.setting().map(s -> turnedBy.getOrDefault(s, 0.0)).orElse(0.0);
    }

    /** Net turns of every adjuster that was turned here, own and others. */
    public Map<String, Double> turnedBy() {
        return Map.copyOf(turnedBy);
    }

    /** The step's own screw came to its end. */
    public boolean touchedEnd() {
        return touchedEnd;
    }

    /** The pressure was let go in this step, by load or drive, and asked for again after that; or by a lever that it names. */
    public boolean loadMoved() {
        return loadShut || shifted && step.moves().stream().anyMatch(m -> m.kind() == Move.Kind.SHIFT);
    }

    /** What was written down, by the key of its label. */
    public Optional<Noted> note(String key) {
        return Optional.ofNullable(notes.get(key)).map(e -> (Noted) e.body());
    }
}
