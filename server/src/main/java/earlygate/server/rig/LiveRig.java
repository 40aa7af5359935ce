package earlygate.server.rig;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.TestPoint;
import earlygate.judge.CrackDetector;
import earlygate.judge.Settled;
import earlygate.plan.Expect;
import earlygate.rig.Rig;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** One practice machine while it runs, with the watch on its stream: has it settled, has the relief cracked. */
final class LiveRig {
    /** Least noise believed, as a fraction of full scale and in amperes. */
    private static final double GAUGE_NOISE = 0.0004;

    private static final double CURRENT_NOISE_A = 0.05;

    final List<SseEmitter> listeners = new CopyOnWriteArrayList<>();
    private final PowerUnit unit;
    private final Rig rig;
    private final Map<String, Settled> settled = new LinkedHashMap<>();
    private Rig.Sample sample;
    private String watchKey = "";
    private String watchGauge = "";
    private CrackDetector crack;
    private boolean stoodStill;

    LiveRig(PowerUnit unit, Rig rig) {
        this.unit = unit;
        this.rig = rig;
        sample = rig.sample();
        unsettle();
    }

    /** Whatever is done to the machine, its readings must come to rest anew. */
    private void unsettle() {
        unit.testPoints().forEach(t -> settled.put(t.id(), new Settled(t.rangePa())));
        unit.all(ElectricMotor.class).forEach(m -> settled.put(m.id(), new Settled(m.ratedCurrent())));
    }

    synchronized void advance(double seconds) {
        rig.advance(seconds);
        sample = rig.sample();
        sample.gauges().forEach((id, pa) -> settled.get(id).add(sample.timeS(), pa));
        sample.currents().forEach((id, amps) -> settled.get(id).add(sample.timeS(), amps));
        if (crack != null && (stoodStill |= settled.get(watchGauge).settled())) {
            double amps = sample.currents().values().iterator().next();
            crack.add(sample.gauges().get(watchGauge), amps);
        }
    }

    /** Watches a gauge for the moment the relief cracks; the same key again changes nothing, an empty one stops it. */
    synchronized void watch(String key, String gauge) {
        if (key.equals(watchKey)) {
            return;
        }
        watchKey = key;
        watchGauge = gauge;
        watchAnew();
    }

    /** A fall only means something against a pressure that has stood still first. */
    private void watchAnew() {
        stoodStill = false;
        crack = watchKey.isEmpty() ? null : new CrackDetector(GAUGE_NOISE * range(watchGauge), CURRENT_NOISE_A);
    }

    private double range(String gauge) {
        return unit.testPoints().stream()
                .filter(t -> t.id().equals(gauge))
                .mapToDouble(TestPoint::rangePa)
                .findFirst()
                .orElse(BAR);
    }

    synchronized OptionalDouble crackedAt() {
        return crack == null ? OptionalDouble.empty() : crack.crackedAt();
    }

    synchronized Rig.Standing standing() {
        return rig.standing();
    }

    /** @param turns whether it only turns a screw; anything else moves the line for reasons of its own */
    synchronized Rig.Standing act(Consumer<Rig> action, boolean turns) {
        action.accept(rig);
        unsettle();
        if (!turns) {
            watchAnew();
        }
        return rig.standing();
    }

    synchronized boolean isSettled(String instrument) {
        return instrument.equals(Expect.OIL) || settled.get(instrument).settled();
    }

    /** The reading to take, SI. */
    synchronized double reading(String instrument) {
        return instrument.equals(Expect.OIL)
                ? sample.oil()
                : settled.get(instrument).mean();
    }

    synchronized double oil() {
        return sample.oil();
    }

    synchronized LiveView view() {
        Map<String, LiveView.Gauge> gauges = new LinkedHashMap<>();
        sample.gauges()
                .forEach((id, pa) -> gauges.put(
                        id,
                        new LiveView.Gauge(
                                round(pa / BAR, 100),
                                settled.get(id).settled(),
                                round(settled.get(id).seconds(), 10))));
        Map<String, Double> motors = new LinkedHashMap<>();
        sample.currents().forEach((id, amps) -> motors.put(id, round(amps, 100)));
        Rig.Standing standing = rig.standing();
        return new LiveView(
                System.currentTimeMillis(),
                round(sample.timeS(), 1000),
                gauges,
                motors,
                round(sample.oil() - ZERO_C, 10),
                standing.running(),
                standing.openings(),
                valves(standing),
                standing.screws(),
                crackedAt().isPresent() ? round(crackedAt().getAsDouble() / BAR, 10) : null);
    }

    private Map<String, LiveView.Valve> valves(Rig.Standing standing) {
        Map<String, LiveView.Valve> valves = new LinkedHashMap<>();
        standing.positions().forEach((id, at) -> valves.put(id, new LiveView.Valve(at, rig.positions(id))));
        return valves;
    }

    private static double round(double value, double steps) {
        return Math.round(value * steps) / steps;
    }
}
