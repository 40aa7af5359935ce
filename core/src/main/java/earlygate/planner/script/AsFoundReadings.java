package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Value.Kind;
import earlygate.gauge.Arrangement;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.unit.Accumulator;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Each setting read on its gauge as the unit came, warm, before any screw is touched: with the hands alone, and nothing
 * fitted. What others hide, and what would not be safe, is counted when its screw is backed out.
 */
public final class AsFoundReadings {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;
    private final Moves moves;

    public AsFoundReadings(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
        this.moves = new Moves(site);
    }

    /** Ends with the drives off and the loads open, as the start positions want it. */
    public void write() {
        script.phase(Phase.Id.SET);
        List<String> counted = new ArrayList<>();
        unit.targets().stream()
                .sorted(Comparator.comparingDouble(
                        (Target t) -> -unit.setting(t.setting()).present()))
                .forEach(t -> {
                    if (!read(t)) {
                        counted.add(t.setting());
                    }
                });
        Rehearsal m = site.rehearsal();
        m.go(site.stopped(site.loads(m.situation, 1)).centred(unit));
        script.arrange(Set.of());
        if (!counted.isEmpty()) {
            script.step(Step.Kind.CHECK, of("plan.as-found-counted").names("settings", counted))
                    .why(of("plan.why.as-found-counted"))
                    .add();
        }
    }

    /** False where it doesn't show with the hands alone, or not safely. */
    private boolean read(Target t) {
        Setting s = unit.setting(t.setting());
        Rehearsal m = site.rehearsal();
        Situation from = site.running(site.loads(m.situation, 0)).centred(unit);
        Optional<Arrangement> shown = charges(s)
                ? Optional.empty()
                : site.search()
                        .find(s.id(), from, none -> false)
                        .filter(a -> !a.gauges().isEmpty() && m.safe(a.state()))
                        .filter(a -> a.situation().gear().equals(from.gear())
                                && a.situation().metered().equals(from.metered())
                                && a.situation().blocked().equals(from.blocked()));
        if (shown.isEmpty()) {
            return false;
        }
        TestPoint gauge = shown.get().gauges().get(0);
        m.go(shown.get().situation());
        script.step(Step.Kind.TEST, of("plan.as-found").name("setting", s.id()).name("gauge", gauge.id()))
                .why(of("plan.why.as-found").name("setting", s.id()).pressure("present", s.present()))
                .setting(s.id())
                .tool("")
                .expect(asItComes(gauge))
                .expect(new Aim(site, moves)
                        .signal(t).map(this::asItComes).stream().toList())
                .demand(Demand.AS_FOUND)
                .ifNot(of("plan.if-not.as-found-high").name("gauge", gauge.id()).pressure("limit", moves.limit(gauge)))
                .caution("injection", "adjuster-only")
                .fullFlow()
                .onTime(site.drivers())
                .minutes(3)
                .add();
        OnTime.rest(site);
        return true;
    }

    /** Whatever it shows is what it was found at. */
    private Expect asItComes(TestPoint gauge) {
        return new Expect(gauge.id(), Kind.PRESSURE, readings.of(gauge), 0, gauge.rangePa() + gauge.errorPa());
    }

    /** A valve that charges an accumulator opens and shuts: nothing stands still to be read. */
    private boolean charges(Setting s) {
        return unit.partOf(s.id()) instanceof UnloadingValve v
                && v.differential().isPresent()
                && !unit.all(Accumulator.class).isEmpty();
    }
}
