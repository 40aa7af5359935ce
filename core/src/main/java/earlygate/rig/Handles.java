package earlygate.rig;

import earlygate.network.Conditions;
import earlygate.unit.Driver;
import earlygate.unit.Engine;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Throttle;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a hand works at the machine, screws left out, as it stands now.
 *
 * @param openings of hand valves, 0 shut to 1 open
 * @param positions of levers
 * @param vents by relief valve that has one, whether it is open
 * @param speeds that engines are set to, rev/s without load
 */
record Handles(
        Map<String, Boolean> running,
        Map<String, Double> openings,
        Map<String, String> positions,
        Map<String, Boolean> vents,
        Map<String, Double> speeds) {
    /** All at rest; engines at the speed that is stated for tests. */
    Handles(PowerUnit unit) {
        this(new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), new TreeMap<>());
        unit.all(Driver.class).forEach(d -> running.put(d.id(), false));
        unit.all(Throttle.class).stream().filter(t -> t.atRest() == 0).forEach(t -> openings.put(t.id(), 0.0));
        unit.all(Positioned.class).forEach(v -> positions.put(v.id(), v.rest()));
        unit.all(ReliefValve.class).stream().filter(ReliefValve::vent).forEach(r -> vents.put(r.id(), false));
        unit.all(Engine.class).forEach(e -> speeds.put(e.id(), e.mid()));
    }

    boolean anyRuns() {
        return running.containsValue(true);
    }

    void apply(Conditions conditions) {
        running.forEach(conditions::running);
        openings.forEach(conditions::opening);
        positions.forEach(conditions::position);
        vents.forEach(conditions::vented);
        speeds.forEach(conditions::speed);
    }

    /** @param powerOn whether the drives run on */
    void restore(Standing s, boolean powerOn) {
        s.openings().forEach(openings::replace);
        if (s.positions() != null) {
            s.positions().forEach(positions::replace);
        }
        if (s.vents() != null) {
            s.vents().forEach(vents::replace);
        }
        if (s.speeds() != null) {
            s.speeds().forEach(speeds::replace);
        }
        if (powerOn) {
            s.running().forEach(running::replace);
        }
    }
}
