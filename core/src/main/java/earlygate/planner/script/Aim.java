package earlygate.planner.script;

import earlygate.explain.Value;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.List;
import java.util.Optional;

/** On which gauge, or difference of two, a setting is read, at which moment, and where it must come. */
final class Aim {
    private final PowerUnit unit;
    private final Readings readings;
    private final Moves moves;

    Aim(Site site, Moves moves) {
        this.unit = site.unit();
        this.readings = site.readings();
        this.moves = moves;
    }

    /** What is read for a setting, and where it must come. */
    record Reading(Goal.Measured goal, List<Expect> expect) {}

    Reading alone(Target t, TestPoint gauge, double aim) {
        return new Reading(
                new Goal.OnGauge(gauge.id(), aim, t.tolerancePa(), moves.limit(gauge)),
                List.of(readings.around(gauge, aim, t.tolerancePa())));
    }

    /** A cut-out is the highest that the gauge comes to. */
    Reading peak(Target t, TestPoint gauge) {
        Expect peak = new Expect(
                        gauge.id(),
                        Value.Kind.PRESSURE,
                        t.pressurePa(),
                        t.pressurePa() - t.tolerancePa(),
                        t.pressurePa() + t.tolerancePa())
                .taken(Expect.Take.PEAK, 0);
        return new Reading(
                new Goal.OnGauge(gauge.id(), t.pressurePa(), t.tolerancePa(), moves.limit(gauge)), List.of(peak));
    }

    /** A margin is the pump's gauge less the signal's, both read in the same state. */
    Optional<Reading> margin(Target t, TestPoint gauge) {
        return signal(t).map(signal -> {
            double error = gauge.errorPa() + signal.errorPa();
            double band = Math.max(t.tolerancePa() - error, t.tolerancePa() / 4);
            double difference = readings.of(gauge) - readings.of(signal);
            // Zero-stroke margin asked, less what the stroke of this very flow takes off.
            Goal.Measured goal =
                    new Goal.Difference(gauge.id(), signal.id(), difference, t.tolerancePa(), moves.limit(gauge));
            return new Reading(
                    goal,
                    List.of(
                            readings.around(gauge, readings.of(gauge), band),
                            readings.around(signal, readings.of(signal), band)));
        });
    }

    /** The schematic's own figure where this gauge shows it, but for what leaks and drops cost; else what it shows. */
    double at(Target t, TestPoint gauge) {
        double shows = readings.of(gauge);
        boolean own = gauge.line().equals(unit.setting(t.setting()).line());
        return own && Math.abs(shows - t.pressurePa()) < t.tolerancePa() / 2 ? t.pressurePa() : shows;
    }

    Optional<TestPoint> signal(Target t) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.loadSenseId().equals(t.setting()))
                .flatMap(p -> p.loadSense().stream())
                .flatMap(c -> unit.gaugesOn(c.signal()).stream())
                .findFirst();
    }
}
