package earlygate.server.rig;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.judge.Holder;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.Watch;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.quantity.PressureUnit;
import earlygate.rig.Rig;
import earlygate.rig.Sample;
import earlygate.rig.Standing;
import earlygate.run.FlowMeters;
import earlygate.run.Pause;
import earlygate.run.RunState;
import earlygate.run.WatchRequest;
import earlygate.server.api.Wire;
import earlygate.server.store.WallClock;
import earlygate.server.words.Words;
import earlygate.solve.Model;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/** One practice machine while it runs; what its instruments say is judged by the {@link Watch}. */
public final class LiveRig {
    /** Of the machine's time between two looks at its instruments, however fast it is made to run. */
    private static final double LOOK_S = 0.05;

    private final PowerUnit unit;
    private final Rig rig;
    private final WallClock clock;
    private final Watch watch;
    private Sample sample;
    private Optional<Step> step = Optional.empty();
    private List<String> metered = List.of();
    private long seq;
    /** Its time stands still with its run. */
    private boolean paused;

    LiveRig(PowerUnit unit, Rig rig, WallClock clock) {
        this.unit = unit;
        this.rig = rig;
        this.clock = clock;
        watch = new Watch(Model.forDays(unit));
        sample = rig.sample();
    }

    /** @return the drives that stopped by themselves meanwhile, with the cause */
    synchronized Map<String, String> advance(double seconds) {
        if (paused || seconds == 0) {
            return Map.of();
        }
        Map<String, String> before = rig.stops();
        int looks = Math.max(1, (int) Math.round(seconds / LOOK_S));
        for (int i = 0; i < looks; i++) {
            rig.advance(seconds / looks);
            see();
        }
        return newStops(before);
    }

    private Map<String, String> newStops(Map<String, String> before) {
        Map<String, String> stops = new LinkedHashMap<>(rig.stops());
        before.forEach(stops::remove);
        if (!stops.isEmpty()) {
            watch.moved();
        }
        return stops;
    }

    private void see() {
        sample = rig.sample();
        watch.sample(new Watch.Sample(sample.timeS(), sample.gauges(), sample.currents(), rig.sinceStop()));
    }

    /** Tells the machine where its run stands: which readings are looked for, whether a crack is watched for. */
    synchronized void follow(RunState state) {
        seq = state.lastSeq();
        if (paused && Pause.of(state).isEmpty()) {
            watch.moved();
        }
        paused = Pause.of(state).isPresent();
        step = state.waitingAt().isEmpty() ? state.current() : Optional.empty();
        metered = FlowMeters.fitted(state);
        watch.seek(WatchRequest.at(state));
    }

    public synchronized Watch.Cracks cracks() {
        return watch.cracks();
    }

    /** Where the relief stands if it passes now, as a hand says. */
    public synchronized Optional<ReliefEstimate> placeAtTap() {
        return watch.placeAtTap();
    }

    /** By the machine's own clock, s. */
    synchronized double time() {
        return sample.timeS();
    }

    synchronized Standing standing() {
        return rig.standing();
    }

    /** Asks the machine something and moves nothing. */
    synchronized <T> T ask(Function<Rig, T> question) {
        return question.apply(rig);
    }

    /** Anything but a turn: it moves the line for reasons of its own. */
    synchronized <T> T act(Function<Rig, T> action) {
        T done = action.apply(rig);
        if (rig.sinceStop().isEmpty()) {
            watch.runs();
        }
        watch.moved();
        return done;
    }

    /** @return the turns that were really made */
    synchronized double turn(String setting, double turns) {
        double made = rig.turn(setting, turns);
        watch.turned(setting, made);
        return made;
    }

    /** @return the drives that stopped by themselves meanwhile, with the cause */
    synchronized Map<String, String> pass(double seconds) {
        Map<String, String> before = rig.stops();
        // What is to be read after a while is read when it is due, not when all the time has passed.
        double due = Math.min(seconds, untilDue());
        if (due > 0) {
            rig.pass(due);
            see();
        }
        rig.pass(seconds - due);
        if (seconds > 0) {
            watch.moved();
        }
        see();
        return newStops(before);
    }

    /** Machine time until a reading of the step at hand is due, s; 0 where none is waited for. */
    private double untilDue() {
        OptionalDouble stopped = rig.sinceStop();
        return stopped.isEmpty() ? 0 : Math.max(0, watch.sought().afterS() - stopped.getAsDouble());
    }

    /** The reading to take now, SI; empty while it moves, or while what the step looks for has not come. */
    public synchronized OptionalDouble reading(String instrument) {
        return instrument.equals(Expect.OIL) ? OptionalDouble.of(sample.oil()) : watch.reading(instrument);
    }

    /** m3/s on a flow meter in the line of a component. */
    public synchronized double metered(String component) {
        return rig.metered(component);
    }

    public synchronized double oil() {
        return sample.oil();
    }

    /** What stands otherwise than the step at hand needs it, each with what to put back. */
    public synchronized List<Reason> wrong() {
        List<Reason> wrong = mismatch();
        // Each turn is waited out: a fall is told from the noise only while the hand is still.
        Watch.Wanted sought = watch.sought();
        boolean waits = sought.cracks()
                && !watch.cracks().found()
                && (watch.cracks().held().isEmpty()
                        || !watch.stands(sought.atHand().orElseThrow().gauge()));
        return wrong.isEmpty() && waits ? List.of(notStanding()) : wrong;
    }

    private List<Reason> mismatch() {
        return step.map(s -> Mismatch.of(unit, s, rig)).orElse(List.of());
    }

    /** Turned before the gauge stood, no fall can be told from its wandering: the screw waits, or goes back in. */
    private Reason notStanding() {
        Goal.Measured goal = step.orElseThrow().measured().orElseThrow();
        boolean fell =
                watch.stands(goal.testPoint()) && watch.mean(goal.testPoint()) < goal.targetPa() - goal.tolerancePa();
        return Reason.of(fell ? "rig.wrong.fell-unseen" : "rig.wrong.not-standing")
                .name("gauge", goal.testPoint())
                .name("setting", step.orElseThrow().setting().orElseThrow());
    }

    synchronized LiveView view() {
        Map<String, LiveView.Gauge> gauges = new LinkedHashMap<>();
        sample.gauges().forEach((id, pa) -> {
            OptionalDouble take = reading(id);
            gauges.put(
                    id,
                    new LiveView.Gauge(
                            Wire.rounded(pa / BAR, 2),
                            take.isPresent(),
                            take.isPresent() ? Wire.rounded(take.getAsDouble() / BAR, 2) : null));
        });
        Map<String, LiveView.Motor> motors = new LinkedHashMap<>();
        sample.currents()
                .forEach((id, amps) -> motors.put(
                        id,
                        new LiveView.Motor(Wire.rounded(amps, 2), reading(id).isPresent())));
        Map<String, Long> engines = new LinkedHashMap<>();
        sample.speeds().forEach((id, speed) -> engines.put(id, rpm(speed)));
        Standing standing = rig.standing();
        return new LiveView(
                clock.millis(),
                seq,
                Wire.rounded(sample.timeS(), 3),
                gauges,
                motors,
                engines,
                Wire.rounded(sample.oil() - ZERO_C, 1),
                standing.running(),
                standing.openings(),
                valves(standing),
                speeds(standing),
                meters(),
                standing.vents(),
                standing.screws(),
                standing.ready(),
                rig.onTime(),
                rig.stops(),
                wrong().stream().map(Words.in(PressureUnit.BAR)::say).toList(),
                watch.cracks().found() ? Wire.rounded(watch.cracks().held().orElseThrow() / BAR, 1) : null,
                crack(),
                held(),
                null);
    }

    /** The model is asked about the machine as the step needs it: while it stands otherwise, it knows nothing. */
    private LiveView.Held held() {
        List<Holder> holders = mismatch().isEmpty() ? watch.holders() : List.of();
        return holders.isEmpty()
                ? null
                : new LiveView.Held(
                        watch.sought().atHand().orElseThrow().gauge(),
                        holders.stream()
                                .map(h -> Words.settingName(h.setting()))
                                .toList());
    }

    private LiveView.Crack crack() {
        Watch.Cracks c = watch.cracks();
        if (c.held().isEmpty()) {
            return null;
        }
        return new LiveView.Crack(
                Wire.rounded(c.held().getAsDouble() / BAR, 1),
                c.fallPa().isPresent() ? Wire.rounded(c.fallPa().getAsDouble() / BAR, 1) : null,
                c.stands().map(p -> Wire.rounded(p.settingPa() / BAR, 1)).orElse(null),
                c.stands().map(p -> Wire.rounded(p.low() / BAR, 1)).orElse(null),
                c.stands().map(p -> Wire.rounded(p.high() / BAR, 1)).orElse(null));
    }

    private Map<String, LiveView.Speed> speeds(Standing standing) {
        Map<String, LiveView.Speed> speeds = new LinkedHashMap<>();
        for (Engine e : unit.all(Engine.class)) {
            speeds.put(
                    e.id(),
                    new LiveView.Speed(
                            rpm(standing.speeds().get(e.id())),
                            List.of(rpm(e.lowIdle()), rpm(e.mid()), rpm(e.highIdle()))));
        }
        return speeds;
    }

    private static long rpm(double perSecond) {
        return Math.round(perSecond * 60);
    }

    private Map<String, Double> meters() {
        Map<String, Double> meters = new LinkedHashMap<>();
        metered.forEach(part -> meters.put(part, Wire.rounded(rig.metered(part) / LPM, 1)));
        return meters;
    }

    private Map<String, LiveView.Valve> valves(Standing standing) {
        Map<String, LiveView.Valve> valves = new LinkedHashMap<>();
        standing.positions().forEach((id, at) -> valves.put(id, new LiveView.Valve(at, rig.positions(id))));
        return valves;
    }
}
