package earlygate.planner.script;

import earlygate.gauge.GaugeSearch;
import earlygate.gauge.SheetState;
import earlygate.solve.Model;
import earlygate.unit.Component;
import earlygate.unit.Driver;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What every part of a plan works with: the unit, its load, its gauges, the machine as it stands, and the script. */
public record Site(PowerUnit unit, GaugeSearch search, Script script, Readings readings) {
    public static Site of(GaugeSearch search) {
        PowerUnit unit = search.model().unit();
        Situation still = SheetState.speeds(unit);
        for (Driver d : unit.all(Driver.class)) {
            still = still.withDriver(d.id(), false);
        }
        for (Throttle t : unit.all(Throttle.class)) {
            if (t.atRest() == 0) {
                still = still.withOpening(t.id(), 0);
            }
        }
        Rehearsal machine = new Rehearsal(search.model(), still);
        return new Site(unit, search, new Script(machine), new Readings(unit, machine));
    }

    public Model model() {
        return search.model();
    }

    public Rehearsal rehearsal() {
        return script.rehearsal;
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
        return unit.handValves();
    }

    /** The same with one valve in another position, each in turn. */
    List<Situation> anyPosition(Situation s) {
        List<Situation> all = new ArrayList<>();
        for (Positioned v : unit.all(Positioned.class)) {
            v.moved().forEach(p -> all.add(s.withPosition(v.id(), p)));
        }
        return all;
    }

    /** The unit's own load valves that let oil out of a line. */
    List<Throttle> loadsOn(String line) {
        return loads().stream()
                .filter(t -> t.a().equals(line) || t.b().equals(line))
                .toList();
    }

    /** The gauge that shows the pump: on its line, or the first one fitted. */
    TestPoint gauge() {
        return unit.all(Pump.class).stream()
                .flatMap(p -> unit.gaugesOn(p.outlet()).stream())
                .findFirst()
                .orElse(unit.testPoints().get(0));
    }

    /** The gauge on a line that is least off. */
    Optional<TestPoint> finest(String line) {
        return unit.gaugesOn(line).stream().min(Comparator.comparingDouble(TestPoint::errorPa));
    }

    /** Drivers turning, engines at the speed stated for tests. */
    Situation running(Situation s) {
        Situation base = SheetState.speeds(unit);
        Situation on = s;
        for (Driver d : drivers()) {
            Situation.Drive stated = base.drivers().get(d.id());
            on = stated == null
                    ? on.withDriver(d.id(), true)
                    : on.withSpeed(d.id(), stated.speed().orElseThrow());
        }
        return on;
    }

    /** From rest to where a lever is held; whatever else differs is a step before it. */
    void hold(Situation rest, Situation held) {
        rehearsal().go(rest);
        script.arrange(Set.of());
        rehearsal().go(held);
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
