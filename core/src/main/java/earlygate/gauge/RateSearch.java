package earlygate.gauge;

import earlygate.explain.Value.Kind;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Driver;
import earlygate.unit.Engine;
import earlygate.unit.FlowControl;
import earlygate.unit.Gear;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.RateTarget;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Where a flow screw or a power limiter shows: on a flow meter that the unit has, on a portable one in series, or on the
 * current of the drive; and how hands must put the unit for it. The reading has to follow the screw both ways.
 */
public final class RateSearch {
    /** By so much of its value a setting is moved to see whether the reading follows, and by how much of that it must. */
    private static final double NUDGE = 0.05;

    private static final double FOLLOWS = 0.5;
    /** Behind a load the flow goes with the cube root of the power, the current of a motor with less than all of it. */
    private static final double FOLLOWS_POWER = 0.25;

    private static final int MOST_PLAIN = 300;
    private static final int MOST_LOADED = 80;
    private static final double[] DEGREES = {0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.45, 0.7, 1};

    /**
     * @param quantity FLOW or CURRENT
     * @param reads what the instrument shows at the target; {@code tolerance} what the target's own comes to there
     */
    public record Seen(
            Situation situation, SteadyState state, String instrument, Kind quantity, double reads, double tolerance) {}

    private final Model model;
    private final PowerUnit unit;
    private final ManualSetups hands;
    private final Predicate<SteadyState> safe;

    /** @param safe no line above its rating, no drive above its own */
    public RateSearch(Model model, Predicate<SteadyState> safe) {
        this.model = model;
        this.unit = model.unit();
        this.hands = new ManualSetups(unit);
        this.safe = safe;
    }

    /** The least work for hands; of the openings of one load the one that heats least. Empty where nothing shows it. */
    public Optional<Seen> find(RateTarget t, Situation from) {
        // What has no screw stands as it stands.
        Situation at = unit.hasScrew(t.setting()) ? from.withSetting(t.setting(), t.value()) : from;
        Optional<Seen> plain = hands.plain().stream()
                .limit(MOST_PLAIN)
                .flatMap(c -> seen(t, hands.apply(c.way(), at), List.of()).stream())
                .findFirst();
        return plain.or(() -> hands.loaded().stream()
                .limit(MOST_LOADED)
                .flatMap(c -> byDegrees(t, hands.apply(c.way(), at), c.opener().orElseThrow()).stream())
                .findFirst());
    }

    private Optional<Seen> byDegrees(RateTarget t, Situation s, ManualSetups.Opener load) {
        List<Seen> found = new ArrayList<>();
        for (double opening : DEGREES) {
            seen(t, load.at(s, opening), List.of(load.id())).ifPresent(found::add);
        }
        // A limiter is to be met well inside its range; a flow where it takes the least pressure.
        return limits(t)
                ? found.stream().skip(found.size() / 2).findFirst()
                : found.stream()
                        .reduce((a, b) -> b.state().shaftPower() < a.state().shaftPower() ? b : a);
    }

    private Optional<Seen> seen(RateTarget t, Situation s, List<String> loads) {
        Optional<SteadyState> state = model.solve(s).filter(safe);
        if (state.isEmpty() || !decides(t, state.get())) {
            return Optional.empty();
        }
        if (!hasSetting(t)) {
            return fixed(t, s, state.get());
        }
        Setting x = unit.setting(t.setting());
        double stands = unit.at(s).setting(x.id());
        double low = x.screw().clamp(stands * (1 - NUDGE));
        double high = x.screw().clamp(stands * (1 + NUDGE));
        Optional<SteadyState> below = model.solve(s.withSetting(x.id(), low));
        Optional<SteadyState> above = model.solve(s.withSetting(x.id(), high));
        if (below.isEmpty() || above.isEmpty() || high - low < NUDGE * t.value()) {
            return Optional.empty();
        }
        Moved moved = new Moved(t, s, state.get(), below.get(), above.get(), high - low);
        return own().flatMap(m -> onMeter(moved, s, m.id(), m.of()).stream())
                .findFirst()
                .or(() -> limits(t) ? onCurrent(moved) : Optional.empty())
                .or(() -> portable(s, places(x, loads), (with, meter, place) -> onMeter(moved, with, meter, place)));
    }

    private Stream<Meter> own() {
        return unit.meters().stream().filter(m -> m.kind() == Meter.Kind.FLOW);
    }

    /** A flow control without a screw can't be moved to see who follows: where it has the flow, that is its set. */
    private Optional<Seen> fixed(RateTarget t, Situation s, SteadyState state) {
        FlowControl control = (FlowControl) unit.component(t.setting());
        double flow = state.flow(control.id());
        if (Math.abs(flow - control.set()) > NUDGE * control.set()) {
            return Optional.empty();
        }
        return own().filter(m -> Math.abs(Math.abs(state.flow(m.of())) - flow) < t.tolerance())
                .flatMap(m -> shown(s, state, m.id(), m.of(), t.tolerance()).stream())
                .findFirst()
                .or(() -> portable(
                        s,
                        Stream.of(control.id()),
                        (with, meter, place) -> shown(with, state, meter, place, t.tolerance())));
    }

    /** A solved situation, and the same with the setting moved down and up, by so much in all. */
    private record Moved(
            RateTarget target, Situation situation, SteadyState at, SteadyState below, SteadyState above, double by) {}

    private interface Fitted {
        Optional<Seen> read(Situation with, String meter, String place);
    }

    /** The first portable meter, at the first place where it can be fitted, on which it is seen. */
    private Optional<Seen> portable(Situation s, Stream<String> places, Fitted fitted) {
        Optional<String> place = places.filter(hands::canBeMetered).findFirst();
        return unit.testGear().stream()
                .filter(g -> g instanceof Gear.FlowMeter && place.isPresent())
                .flatMap(g -> fitted.read(s.withMeter(g.id(), place.get()), g.id(), place.get()).stream())
                .findFirst();
    }

    private Optional<Seen> onMeter(Moved m, Situation with, String meter, String place) {
        double reads = Math.abs(m.at().flow(place));
        double moved = Math.abs(m.above().flow(place)) - Math.abs(m.below().flow(place));
        double asked =
                limits(m.target()) ? FOLLOWS_POWER * reads * m.by() / m.target().value() : FOLLOWS * m.by();
        return moved >= asked
                ? shown(with, m.at(), meter, place, m.target().tolerance() * moved / m.by())
                : Optional.empty();
    }

    /** Where it lies on the dial, on a meter that can tell so little: one coarser than what is asked passes nothing. */
    private Optional<Seen> shown(Situation with, SteadyState at, String meter, String place, double tolerance) {
        double reads = Math.abs(at.flow(place));
        return unit.flowMeter(meter)
                .filter(f -> reads <= f.range() && f.error() < tolerance)
                .map(f -> new Seen(with, at, meter, Kind.FLOW, reads, tolerance));
    }

    /** A power limiter has the pump; what else holds a stroke, or a flow, is seen by its not following. */
    private boolean decides(RateTarget t, SteadyState state) {
        return !limits(t)
                || state.pump(unit.setting(t.setting()).part())
                        .inControl()
                        .filter(t.setting()::equals)
                        .isPresent();
    }

    private boolean hasSetting(RateTarget t) {
        return unit.settings().stream().anyMatch(x -> x.id().equals(t.setting()));
    }

    private boolean limits(RateTarget t) {
        return hasSetting(t) && unit.setting(t.setting()).kind() == Setting.Kind.POWER_LIMITER;
    }

    private Optional<Seen> onCurrent(Moved m) {
        Driver driver = unit.driverOf((Pump) unit.partOf(m.target().setting()));
        double moved = m.above().driver(driver.id()).current()
                - m.below().driver(driver.id()).current();
        double reads = m.at().driver(driver.id()).current();
        return driver instanceof Engine
                        || moved < FOLLOWS_POWER * reads * m.by() / m.target().value()
                ? Optional.empty()
                : Optional.of(new Seen(
                        m.situation(),
                        m.at(),
                        driver.id(),
                        Kind.CURRENT,
                        reads,
                        m.target().tolerance() * moved / m.by()));
    }

    /** A flow control's own way; of a pump the load that takes its oil, else its outlet. */
    private Stream<String> places(Setting x, List<String> loads) {
        if (!(unit.partOf(x.id()) instanceof Pump)) {
            return Stream.of(x.part());
        }
        Stream<String> onThePump = loads.stream()
                .filter(id -> unit.components().stream().noneMatch(c -> c.id().equals(id))
                        || unit.component(id) instanceof Throttle t
                                && (t.a().equals(x.line()) || t.b().equals(x.line())));
        return Stream.concat(onThePump, Stream.of(x.part()));
    }
}
