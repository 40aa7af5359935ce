package earlygate.rig;

import earlygate.gauge.SheetState;
import earlygate.network.ComponentState;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.solve.Transient;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeMap;

/**
 * The practice rig: the unit as a machine with screws that stand where nobody knows, springs that differ from their
 * data, jam nuts that drag the screw along, gauges with an error and needles that tremble. Moved by the transient
 * solver. Not for two threads at once.
 */
public final class Rig {
    /** s; the step of the transient. */
    public static final double STEP_S = 1e-3;

    /** s of one step while time is passed quickly; the pressures have settled by then. */
    private static final double LONG_STEP_S = 5;

    /** Air goes out with the oil that flows; s to a third. */
    private static final double AIR_S = 4;

    private final PowerUnit unit;
    private final Transient machine;
    private final Conditions conditions;
    private final Needles needles;
    private final Map<String, RigScrew> screws = new LinkedHashMap<>();
    private final Handles handles;
    private final Readiness ready;
    private final Protection protection;
    private OptionalDouble stoppedAt = OptionalDouble.empty();
    private double air = 1;
    private final Tank tank;
    private final boolean wanders;
    private double time;

    /** @param seed the same seed, as rough, is the same machine */
    public Rig(PowerUnit unit, long seed, Roughness rough) {
        this.unit = unit;
        wanders = rough.drift > 0;
        tank = new Tank(unit.fluid().heatCapacity());
        Network network = new Network(unit);
        machine = new Transient(network);
        conditions = network.conditions(SheetState.speeds(unit));
        Random hidden = new Random(seed);
        for (Setting s : unit.settings()) {
            screws.put(s.id(), new RigScrew(s.screw(), s.present(), hidden, rough));
        }
        needles = new Needles(unit, new Random(seed ^ 0x5DEECE66DL), hidden, rough);
        handles = new Handles(unit);
        ready = Readiness.delivered(unit, hidden);
        protection = new Protection(unit);
        apply();
    }

    private void apply() {
        settings();
        handles.apply(conditions);
        unit.all(Pump.class).forEach(p -> conditions.starved(p.id(), !ready.draws(p)));
        conditions.oil(tank.oil());
    }

    private void settings() {
        screws.forEach((id, s) -> conditions.setting(id, s.settingPa(time)));
    }

    /** Starts a drive, but for one that is locked out: that doesn't start, as it must be. */
    public boolean start(String driver) {
        if (ready.lockedOut().get(driver)) {
            return false;
        }
        handles.running().replace(driver, true);
        protection.started(driver);
        stoppedAt = OptionalDouble.empty();
        apply();
        return true;
    }

    public void stop(String driver) {
        handles.running().replace(driver, false);
        if (!handles.anyRuns() && stoppedAt.isEmpty()) {
            stoppedAt = OptionalDouble.of(time);
        }
        apply();
    }

    /** Machine time since the last drive stopped, s; empty while one runs or before the first start. */
    public OptionalDouble sinceStop() {
        return stoppedAt.isEmpty() ? stoppedAt : OptionalDouble.of(time - stoppedAt.getAsDouble());
    }

    /**
     * Something made ready, or unready: lock-out, suction, fill, rotation.
     *
     * @throws java.util.NoSuchElementException for a part that has nothing of the kind
     */
    public void makeReady(String action, String part, boolean to) {
        ready.set(action, part, to);
        if (action.equals("lock-out") && to) {
            stop(part);
        }
        apply();
    }

    public Readiness ready() {
        return ready;
    }

    /** Drives that have stopped by themselves, with the cause: thermal, overload, on-time, suction, case, rotation, burst. */
    public Map<String, String> stops() {
        return protection.stops();
    }

    /** Whether a cap seals this screw's thread and a drive runs: oil jets out of it when it is turned. */
    public boolean jets(String setting) {
        return unit.capped(setting) && handles.anyRuns();
    }

    /** How long a battery motor has been on, less what it has rested since, s; by driver. */
    public Map<String, Double> onTime() {
        return protection.onTime();
    }

    /** @param fraction 0 shut to 1 open */
    public void open(String throttle, double fraction) {
        handles.openings().replace(throttle, Math.max(0, Math.min(1, fraction)));
        apply();
    }

    /** Opens or closes the vent of a relief valve. */
    public void vent(String relief, boolean open) {
        handles.vents().replace(relief, open);
        apply();
    }

    /** @param speed that an engine is set to, rev/s without load */
    public void speed(String engine, double speed) {
        handles.speeds().replace(engine, speed);
        apply();
    }

    /** The positions of a directional valve or section, in order. */
    public List<String> positions(String valve) {
        return ((Positioned) unit.component(valve)).positionNames();
    }

    /** Shifts a directional valve or a section; a name it does not have leaves it where it is. */
    public void shift(String valve, String position) {
        if (positions(valve).contains(position)) {
            handles.positions().replace(valve, position);
            apply();
        }
    }

    /**
     * Turns a screw, clockwise positive.
     *
     * @return the turns it really made: none with its nut tight, fewer at an end
     */
    public double turn(String setting, double turns) {
        double made = screws.get(setting).turn(turns);
        apply();
        return made;
    }

    /** Where a screw really stands, Pa: what nobody at the machine can see, for whoever marks the practice. */
    public double trueSetting(String setting) {
        return screws.get(setting).settingPa();
    }

    /** Tightens or slackens a jam nut; tightening drags the screw a little. */
    public void nut(String setting, boolean tight) {
        screws.get(setting).nut(tight);
        apply();
    }

    /** Lets the machine run on in real detail. */
    public void advance(double seconds) {
        int steps = Math.max(1, (int) Math.round(seconds / STEP_S));
        if (wanders) {
            settings();
        }
        for (int i = 0; i < steps; i++) {
            machine.advance(conditions, STEP_S);
        }
        warm(seconds);
        protect(seconds);
    }

    /** Lets a long time pass; pressures follow their steady state while the oil warms or cools. */
    public void pass(double seconds) {
        for (double left = seconds; left > 0; left -= LONG_STEP_S) {
            double step = Math.min(left, LONG_STEP_S);
            machine.advance(conditions, step);
            warm(step);
            protect(step);
        }
    }

    private void protect(double seconds) {
        Map<String, ComponentState> states = machine.components(conditions);
        protection
                .watch(handles.running(), ready, tank.oil(), seconds, states, machine::pressure)
                .forEach((driver, cause) -> stop(driver));
        air = handles.anyRuns() ? air * Math.exp(-seconds / AIR_S) : air;
    }

    private void warm(double seconds) {
        tank.warm(seconds, machine.heat());
        conditions.oil(tank.oil());
        time += seconds;
    }

    /** What the instruments show at this instant. */
    public Sample sample() {
        Map<String, ComponentState> states = machine.components(conditions);
        return new Sample(
                time,
                needles.gauges(time, machine::pressure, air),
                needles.currents(states),
                needles.speeds(states),
                tank.oil());
    }

    /** What a flow meter in the line of a component shows, m3/s. */
    public double metered(String component) {
        return needles.meter(machine.components(conditions).get(component));
    }

    public Standing standing() {
        Map<String, Standing.ScrewStanding> at = new LinkedHashMap<>();
        screws.forEach((id, s) -> at.put(id, s.standing()));
        return new Standing(
                new TreeMap<>(handles.running()),
                new TreeMap<>(handles.openings()),
                new TreeMap<>(handles.positions()),
                at,
                tank.oil(),
                time,
                machine.pressures(),
                ready,
                air,
                protection.onTime(),
                new TreeMap<>(handles.vents()),
                new TreeMap<>(handles.speeds()));
    }

    /**
     * Puts a machine of the same seed back as it stood, with what pressure it held.
     *
     * @param powerOn whether its drives run on, as after a pause; after a restart the power had gone
     */
    public void restore(Standing s, boolean powerOn) {
        handles.restore(s, powerOn);
        s.screws().forEach((id, at) -> {
            if (screws.containsKey(id)) {
                screws.get(id).restore(at);
            }
        });
        tank.oil(s.oil());
        time = s.timeS();
        air = s.air() == null ? 0 : s.air();
        if (s.onTimeS() != null) {
            protection.restore(s.onTimeS());
        }
        if (s.ready() != null) {
            ready.restore(s.ready());
        } else {
            // Machines of earlier versions had nothing to be made ready.
            ready.allReady();
        }
        apply();
        if (s.pressures() != null) {
            machine.restore(s.pressures(), conditions);
        }
    }
}
