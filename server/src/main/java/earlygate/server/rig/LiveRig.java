package earlygate.server.rig;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.judge.CrackDetector;
import earlygate.judge.Settled;
import earlygate.judge.Swing;
import earlygate.plan.Expect;
import earlygate.plan.Expect.Take;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.quantity.PressureUnit;
import earlygate.rig.Rig;
import earlygate.rig.Standing;
import earlygate.run.RunState;
import earlygate.server.api.Wire;
import earlygate.server.words.Words;
import earlygate.unit.Electric;
import earlygate.unit.PowerUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/** One practice machine while it runs, with the watch on its stream: has it settled, where did it turn, has it cracked. */
final class LiveRig {
    /** Least noise believed, as a fraction of full scale and in amperes. */
    private static final double GAUGE_NOISE = 0.0004;

    private static final double CURRENT_NOISE_A = 0.05;

    private final PowerUnit unit;
    private final Rig rig;
    private final Map<String, Settled> settled = new LinkedHashMap<>();
    private final Map<String, Swing> swings = new LinkedHashMap<>();
    private final Map<String, Double> after = new LinkedHashMap<>();
    private Rig.Sample sample;
    private Optional<Step> step = Optional.empty();
    private String watchKey = "";
    private CrackDetector crack;
    private boolean stoodStill;
    private long seq;

    LiveRig(PowerUnit unit, Rig rig) {
        this.unit = unit;
        this.rig = rig;
        sample = rig.sample();
        unsettle();
    }

    /** Whatever is done to the machine, its readings must come to rest anew. */
    private void unsettle() {
        unit.testPoints().forEach(t -> {
            settled.put(t.id(), new Settled(t.rangePa()));
            swings.put(t.id(), new Swing(t.rangePa()));
        });
        unit.all(Electric.class).forEach(m -> settled.put(m.id(), new Settled(m.ratedCurrent())));
    }

    /** @return the drives that stopped by themselves meanwhile, with the cause */
    synchronized Map<String, String> advance(double seconds) {
        Map<String, String> before = rig.stops();
        rig.advance(seconds);
        see();
        return newStops(before);
    }

    private Map<String, String> newStops(Map<String, String> before) {
        Map<String, String> stops = new LinkedHashMap<>(rig.stops());
        before.forEach(stops::remove);
        if (!stops.isEmpty()) {
            unsettle();
        }
        return stops;
    }

    private void see() {
        sample = rig.sample();
        sample.gauges().forEach((id, pa) -> {
            settled.get(id).add(sample.timeS(), pa);
            swings.get(id).add(pa);
        });
        sample.currents().forEach((id, amps) -> settled.get(id).add(sample.timeS(), amps));
        OptionalDouble stopped = rig.sinceStop();
        for (Expect e : expected()) {
            boolean due = e.take() == Take.AFTER && stopped.isPresent() && stopped.getAsDouble() >= e.afterS();
            if (due) {
                after.putIfAbsent(e.instrument(), sample.gauges().get(e.instrument()));
            }
        }
        if (crack != null) {
            String gauge = step.orElseThrow().goal().orElseThrow().testPoint();
            stoodStill |= settled.get(gauge).settled();
            if (stoodStill) {
                crack.add(sample.gauges().get(gauge), amps());
            }
        }
    }

    /** All motors together: whichever drives the pump that holds the line, its current rises. */
    private OptionalDouble amps() {
        return sample.currents().isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(sample.currents().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum());
    }

    /** Tells the machine where its run stands: which readings are looked for, whether a crack is watched for. */
    synchronized void follow(RunState state) {
        seq = state.lastSeq();
        Step now = state.waitingAt().isEmpty() ? state.current().orElse(null) : null;
        String key = now == null
                ? ""
                : now.id() + "/" + state.record(now.id()).attempts() + "/"
                        + state.record(now.id()).cracked().isPresent();
        if (key.equals(watchKey)) {
            return;
        }
        boolean other = step.isEmpty() || now == null || !step.get().id().equals(now.id());
        watchKey = key;
        step = Optional.ofNullable(now);
        if (other) {
            swings.values().forEach(Swing::restart);
            after.clear();
        }
        watchAnew(state);
    }

    /** A fall only means something against a pressure that has stood still first. */
    private void watchAnew(RunState state) {
        stoodStill = false;
        boolean due = step.isPresent()
                // A locked relief is come up to from below: no fall tells it, a hand marks it.
                && step.get().cracks()
                && step.get().kind() == Step.Kind.SET
                && (state == null || state.record(step.get().id()).cracked().isEmpty());
        crack = due
                ? new CrackDetector(
                        GAUGE_NOISE
                                * unit.testPoint(step.get().goal().orElseThrow().testPoint())
                                        .rangePa(),
                        CURRENT_NOISE_A)
                : null;
    }

    synchronized OptionalDouble crackedAt() {
        return crack == null ? OptionalDouble.empty() : crack.crackedAt();
    }

    /** What stood while the crack was watched for: what a tap of the hand marks. */
    synchronized OptionalDouble stood() {
        return crack == null ? OptionalDouble.empty() : crack.stood();
    }

    synchronized Standing standing() {
        return rig.standing();
    }

    /** @param turns whether it only turns a screw; anything else moves the line for reasons of its own */
    synchronized <T> T act(Function<Rig, T> action, boolean turns) {
        T done = action.apply(rig);
        if (rig.sinceStop().isEmpty()) {
            after.clear();
        }
        unsettle();
        if (!turns && crack != null) {
            watchAnew(null);
        }
        return done;
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
        unsettle();
        see();
        return newStops(before);
    }

    /** Machine time until a reading of the step at hand is due, s; 0 where none is waited for. */
    private double untilDue() {
        OptionalDouble stopped = rig.sinceStop();
        return stopped.isEmpty()
                ? 0
                : expected().stream()
                        .filter(e -> e.take() == Take.AFTER)
                        .mapToDouble(e -> Math.max(0, e.afterS() - stopped.getAsDouble()))
                        .findFirst()
                        .orElse(0);
    }

    private List<Expect> expected() {
        return step.map(Step::expect).orElse(List.of());
    }

    /** The reading to take now, SI; empty while it moves, or while what the step looks for has not come. */
    synchronized OptionalDouble reading(String instrument) {
        if (instrument.equals(Expect.OIL)) {
            return OptionalDouble.of(sample.oil());
        }
        Settled s = settled.get(instrument);
        if (s == null) {
            return OptionalDouble.empty();
        }
        return switch (take(instrument)) {
            case PEAK ->
                swings.get(instrument).peak().isPresent()
                        ? swings.get(instrument).peak()
                        : s.reading();
            case VALLEY -> swings.get(instrument).valley();
            case AFTER ->
                after.containsKey(instrument) ? OptionalDouble.of(after.get(instrument)) : OptionalDouble.empty();
            case STANDING -> s.reading();
        };
    }

    private Take take(String instrument) {
        return expected().stream()
                .filter(e -> e.instrument().equals(instrument))
                .map(Expect::take)
                .findFirst()
                .orElse(Take.STANDING);
    }

    synchronized double oil() {
        return sample.oil();
    }

    /** What stands otherwise than the step at hand needs it, each with what to put back. */
    synchronized List<Reason> wrong() {
        List<Reason> wrong = step.map(s -> Mismatch.of(unit, s, rig)).orElse(List.of());
        return wrong.isEmpty() && crack != null && crack.stood().isEmpty() ? List.of(notStanding()) : wrong;
    }

    /** Turned before the gauge stood, no fall can be told from its wandering: the screw waits, or goes back in. */
    private Reason notStanding() {
        Goal.Measured goal = step.orElseThrow().measured().orElseThrow();
        Settled gauge = settled.get(goal.testPoint());
        boolean fell = gauge.settled() && gauge.mean() < goal.targetPa() - goal.tolerancePa();
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
        Standing standing = rig.standing();
        return new LiveView(
                System.currentTimeMillis(),
                seq,
                Wire.rounded(sample.timeS(), 3),
                gauges,
                motors,
                Wire.rounded(sample.oil() - ZERO_C, 1),
                standing.running(),
                standing.openings(),
                valves(standing),
                standing.screws(),
                standing.ready(),
                rig.onTime(),
                rig.stops(),
                wrong().stream().map(Words.in(PressureUnit.BAR)::say).toList(),
                crackedAt().isPresent() ? Wire.rounded(crackedAt().getAsDouble() / BAR, 1) : null,
                null);
    }

    private Map<String, LiveView.Valve> valves(Standing standing) {
        Map<String, LiveView.Valve> valves = new LinkedHashMap<>();
        standing.positions().forEach((id, at) -> valves.put(id, new LiveView.Valve(at, rig.positions(id))));
        return valves;
    }
}
