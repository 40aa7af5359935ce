package earlygate.unit;

/** A unit set up in a situation: what the situation names, and the unit file for the rest. */
public record SetUp(PowerUnit unit, Situation situation) {
    /** Pa; W for a power limiter, m3/s for a flow screw. */
    public double setting(String id) {
        Double named = situation.settings().get(id);
        return named == null ? unit.setting(id).present() : named;
    }

    /** 0 shut to 1 open. */
    public double opening(Throttle valve) {
        return situation.openings().getOrDefault(valve.id(), valve.atRest());
    }

    public String position(Positioned valve) {
        return situation.positions().getOrDefault(valve.id(), valve.rest());
    }

    /** A drive runs unless the situation stops it. */
    public boolean isRunning(Driver drive) {
        Situation.Drive named = situation.drivers().get(drive.id());
        return named == null || named.running();
    }

    public boolean anyDriveRuns() {
        return unit.all(Driver.class).stream().anyMatch(this::isRunning);
    }
}
