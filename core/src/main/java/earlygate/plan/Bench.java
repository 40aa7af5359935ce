package earlygate.plan;

import earlygate.circuit.Component;
import earlygate.circuit.DirectionalValve;
import earlygate.circuit.Driver;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.Section;
import earlygate.circuit.Situation;
import earlygate.circuit.TestPoint;
import earlygate.circuit.Throttle;
import earlygate.reach.Reaching;
import java.util.ArrayList;
import java.util.List;

/** What every part of a plan works with: the unit, its load, its gauges, the machine as it stands, and the draft. */
record Bench(PowerUnit unit, Reaching reaching, Draft draft, Readings readings) {
    static Bench of(PowerUnit unit, Reaching reaching) {
        Situation still = Reaching.base(unit);
        for (Driver d : unit.all(Driver.class)) {
            still = still.withDriver(d.id(), false);
        }
        for (Throttle t : unit.all(Throttle.class)) {
            if (t.atRest() == 0) {
                still = still.withOpening(t.id(), 0);
            }
        }
        Machine machine = new Machine(unit, still);
        return new Bench(unit, reaching, new Draft(machine), new Readings(unit, machine));
    }

    Machine machine() {
        return draft.machine;
    }

    List<Driver> drivers() {
        return unit.all(Driver.class);
    }

    List<Throttle> loads() {
        return unit.all(Throttle.class).stream()
                .filter(t -> t.purpose() == Throttle.Purpose.LOAD && t.atRest() == 0)
                .toList();
    }

    /** Everything with a hand wheel. */
    List<Throttle> handValves() {
        return unit.all(Throttle.class).stream().filter(t -> t.atRest() == 0).toList();
    }

    /** The same with one valve in another position, each in turn. */
    List<Situation> anyPosition(Situation s) {
        List<Situation> all = new ArrayList<>();
        for (DirectionalValve v : unit.all(DirectionalValve.class)) {
            v.positions().keySet().stream()
                    .filter(p -> !p.equals(v.start()))
                    .forEach(p -> all.add(s.withPosition(v.id(), p)));
        }
        for (Section x : unit.all(Section.class)) {
            Section.POSITIONS.stream().skip(1).forEach(p -> all.add(s.withPosition(x.id(), p)));
        }
        return all;
    }

    /** The load that a gauge on the pump line answers to; the first one there is. */
    Throttle load() {
        return loads().get(0);
    }

    /** The gauge that shows the pump: on its line, or the first one fitted. */
    TestPoint gauge() {
        return unit.all(Pump.class).stream()
                .flatMap(p -> unit.gaugesOn(p.outlet()).stream())
                .findFirst()
                .orElse(unit.testPoints().get(0));
    }

    /** Drivers turning, engines at the speed stated for tests. */
    Situation running(Situation s) {
        Situation base = Reaching.base(unit);
        Situation on = s;
        for (Driver d : drivers()) {
            Situation.Drive stated = base.drivers().get(d.id());
            on = stated == null
                    ? on.withDriver(d.id(), true)
                    : on.withSpeed(d.id(), stated.speed().orElseThrow());
        }
        return on;
    }

    Situation stopped(Situation s) {
        Situation off = s;
        for (Driver d : drivers()) {
            off = off.withDriver(d.id(), false);
        }
        return off;
    }

    /** All loads open to one degree. */
    Situation loads(Situation s, double opening) {
        Situation open = s;
        for (Throttle t : loads()) {
            open = open.withOpening(t.id(), opening);
        }
        return open;
    }

    static String names(List<? extends Component> parts) {
        return String.join(", ", parts.stream().map(Component::id).toList());
    }

    /** Whether this drive turns a pump over a coupling with a guard. */
    boolean coupled(Driver d) {
        return unit.all(Pump.class).stream().anyMatch(p -> p.driver().equals(d.id()) && p.coupling());
    }

    static double sixteenths(double turns) {
        return Math.round(turns * 16) / 16.0;
    }
}
