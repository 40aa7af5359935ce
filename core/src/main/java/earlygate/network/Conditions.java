package earlygate.network;

import earlygate.unit.Situation;
import java.util.Arrays;

/**
 * What a technician can do to the machine, compiled: settings, openings, drivers, oil. Mutable on purpose, so that a
 * sweep or the practice rig turns one thing without compiling again; the solver only reads it.
 */
public final class Conditions {
    /** How a valve that snaps open and shut was left by what went before. */
    enum Latch {
        NO_HISTORY,
        OPEN,
        SHUT
    }

    private final Network network;
    /** Pa, by {@link Network#settingIndex}. */
    final double[] setting;
    /** By element index: directional valves and sections, the number of their position. */
    final int[] position;
    /** By element index: actuators that can't move. */
    final boolean[] blocked;
    /** By element index: relief valves whose vent is open. */
    final boolean[] vented;
    /** By pump index of its network: suction shut. */
    final boolean[] suctionShut;
    /** By element index, of differential unloading valves. */
    final Latch[] latch;
    /** 0 to 1, by element index. */
    final double[] opening;
    /** By element index; true for shafts that turn. */
    final boolean[] running;
    /** rev/s by element index, where one is given; else the speed follows the driver's own slip. */
    final double[] givenSpeed;

    final boolean[] speedIsGiven;

    /** By the number of the load valve: fitted, between which lines, how far open. */
    final boolean[] gearFitted;

    final int[] gearFrom;
    final int[] gearTo;
    final double[] gearOpening;
    final boolean[] held;
    final double[] heldAt;
    double leakage;
    double oil;

    Conditions(Network network) {
        this.network = network;
        int n = network.elements.length;
        setting = network.presentSettings();
        opening = network.openingsAtRest();
        position = network.startPositions();
        blocked = new boolean[n];
        Arrays.fill(blocked, true);
        vented = new boolean[n];
        suctionShut = new boolean[network.pumpCount()];
        latch = new Latch[n];
        Arrays.fill(latch, Latch.NO_HISTORY);
        running = new boolean[n];
        Arrays.fill(running, true);
        givenSpeed = new double[n];
        speedIsGiven = new boolean[n];
        gearFitted = new boolean[network.gearCount()];
        gearFrom = new int[network.gearCount()];
        gearTo = new int[network.gearCount()];
        gearOpening = new double[network.gearCount()];
        held = new boolean[network.lineIds.length];
        heldAt = new double[network.lineIds.length];
        held[0] = true;
        oil(network.unit.fluid().middleOfBand());
    }

    /** Puts what a situation names; the rest stays. */
    Conditions apply(Situation s) {
        s.settings().forEach(this::setting);
        s.openings().forEach(this::opening);
        s.drivers().forEach((id, d) -> {
            running(id, d.running());
            d.speed().ifPresent(n -> speed(id, n));
        });
        s.pressures().forEach((id, pa) -> {
            held[network.lineIndex(id)] = true;
            heldAt[network.lineIndex(id)] = pa;
        });
        s.positions().forEach(this::position);
        s.vented().forEach(id -> vented(id, true));
        s.suctionShut().forEach(id -> suctionShut[network.pumpIndex(id)] = true);
        s.blocked().ifPresent(ids -> {
            Arrays.fill(blocked, false);
            ids.forEach(id -> blocked[network.elementIndex(id)] = true);
        });
        s.gear().forEach(this::gear);
        s.oil().ifPresent(this::oil);
        return this;
    }

    /** Puts a whole situation: no line is held, no vent open, no suction shut and no gear fitted but those it names. */
    public Conditions replace(Situation s) {
        Arrays.fill(held, 1, held.length, false);
        Arrays.fill(vented, false);
        Arrays.fill(suctionShut, false);
        Arrays.fill(gearFitted, false);
        return apply(s);
    }

    /** @param value Pa; W for a power limiter */
    public void setting(String id, double value) {
        setting[network.settingIndex(id)] = value;
    }

    /** @param fraction 0 shut to 1 open */
    public void opening(String id, double fraction) {
        opening[network.elementIndex(id)] = fraction;
    }

    private void gear(String id, Situation.Between between) {
        int i = network.gearIndex(id);
        gearFitted[i] = true;
        gearFrom[i] = network.lineIndex(between.a());
        gearTo[i] = network.lineIndex(between.b());
        gearOpening[i] = between.opening();
    }

    public void position(String valve, String name) {
        position[network.elementIndex(valve)] = network.positionIndex(valve, name);
    }

    public void running(String driver, boolean turns) {
        running[network.elementIndex(driver)] = turns;
    }

    /** @param speed rev/s in place of the driver's own slip; of an engine, without load */
    public void speed(String driver, double speed) {
        givenSpeed[network.elementIndex(driver)] = speed;
        speedIsGiven[network.elementIndex(driver)] = true;
    }

    /** Opens or closes the vent of a pilot-operated relief valve. */
    public void vented(String relief, boolean open) {
        vented[network.elementIndex(relief)] = open;
    }

    /** A pump that gets no oil delivers none: its suction shut, or turning the wrong way. */
    public void starved(String pump, boolean noOil) {
        suctionShut[network.pumpIndex(pump)] = noOil;
    }

    /** @param temperature K */
    public void oil(double temperature) {
        oil = temperature;
        leakage = network.leakageFactor(temperature);
    }

    /** K. */
    public double oil() {
        return oil;
    }

    public boolean isHeld(int line) {
        return held[line];
    }

    /** Pa, or W for a power limiter, by its place in {@link Network#settings()}. */
    public double setting(int index) {
        return setting[index];
    }

    public void setting(int index, double value) {
        setting[index] = value;
    }
}
