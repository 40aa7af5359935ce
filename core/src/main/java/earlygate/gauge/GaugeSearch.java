package earlygate.gauge;

import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Searches situations of a unit for those in which a setting has the gauge. Holds a solver; one per thread. */
public final class GaugeSearch {
    /** Ways of the hands that are kept for a setting, and that are tried for it. */
    private static final int ENOUGH = 3;

    private static final int MOST_TRIED = 1200;
    private static final int MOST_LOADED = 250;
    /** More work than this above the first that was found is not looked at. */
    private static final double WORSE = 2;

    private final Model model;
    private final PowerUnit unit;
    private final ManualSetups hands;
    private final Observability sight;
    private final LoadDegrees loading;
    private final LimiterClearance clearing;
    private final boolean loadsToo;
    private final Map<Sought, List<ManualSetups.Candidate>> plain = new HashMap<>();
    private final Map<Sought, List<ManualSetups.Candidate>> loaded = new HashMap<>();

    /** A setting at the value, Pa, that it is to show. */
    private record Sought(Setting setting, double value) {}

    public GaugeSearch(Model model) {
        this(model, false);
    }

    private GaugeSearch(Model model, boolean loadsToo) {
        this.model = model;
        this.unit = model.unit();
        this.loadsToo = loadsToo;
        hands = new ManualSetups(unit);
        sight = new Observability(unit);
        loading = new LoadDegrees(hands, sight, model);
        clearing = new LimiterClearance(hands, sight, loading, model);
    }

    /** A search that also opens a load for settings that show without flow: more work, and more found. */
    public GaugeSearch withLoadsToo() {
        return new GaugeSearch(model, true);
    }

    public Model model() {
        return model;
    }

    /** The setting, Pa, at which a relief that is set at flow stands at its target; other targets are the setting. */
    public double settingFor(Target target, Situation from, Predicate<String> mayRaise) {
        if (target.defined() != Target.Defined.FULL_FLOW
                || !(unit.partOf(target.setting()) instanceof ReliefValve relief)) {
            return target.pressurePa();
        }
        double crack = target.pressurePa();
        for (int i = 0; i < 3; i++) {
            Optional<Arrangement> reach = find(relief.id(), from.withSetting(relief.id(), crack), mayRaise);
            if (reach.isPresent()) {
                double flow = reach.get().state().valve(relief.id()).flow();
                crack = target.pressurePa() - relief.fullFlowPressure(0, flow);
            }
        }
        return crack;
    }

    /** The way with the fewest screws raised, then with the least work for hands; raising only what may be. */
    public Optional<Arrangement> find(String setting, Situation from, Predicate<String> mayRaise) {
        Setting sought = unit.setting(setting);
        double value = unit.at(from).setting(setting);
        Optional<Arrangement> plain = best(candidates(sought, value), sought, value, from, mayRaise);
        return plain.isPresent() || !loadsToo ? plain : best(loaded(sought, value), sought, value, from, mayRaise);
    }

    private Optional<Arrangement> best(
            List<ManualSetups.Candidate> candidates,
            Setting sought,
            double value,
            Situation from,
            Predicate<String> mayRaise) {
        Arrangement best = null;
        for (ManualSetups.Candidate candidate : candidates) {
            Optional<Arrangement> found = clearing.attempt(sought, value, candidate, from, mayRaise);
            if (found.isPresent() && (best == null || better(found.get(), best))) {
                best = found.get();
                if (best.lifted().isEmpty() && !best.gauges().isEmpty()) {
                    break;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** Hands as in an arrangement that was found before, screws as they stand now; empty where it doesn't show so. */
    public Optional<Arrangement> again(Arrangement before, Situation now) {
        Setting sought = unit.setting(before.setting());
        Situation s = now.withHandsOf(before.situation()).withGearOpen(0);
        for (Map.Entry<String, Situation.Between> g : before.situation().gear().entrySet()) {
            s = s.withGear(g.getKey(), g.getValue());
        }
        Situation there = s;
        return model.solve(there)
                .filter(state -> sight.shows(sought, state))
                .map(state -> new Arrangement(sought.id(), there, state, sight.gauges(sought, state), before.lifted()))
                .filter(a -> !a.gauges().isEmpty());
    }

    /** The same with one load opened as little as makes the state bearable: a limiter read at part of the flow. */
    public Optional<Arrangement> atPartLoad(Arrangement full, Predicate<SteadyState> bearable) {
        Setting sought = unit.setting(full.setting());
        return hands.openers(full.situation()).stream()
                .flatMap(load -> loading.degrees(full.situation(), load))
                .flatMap(s -> model
                        .solve(s)
                        .filter(bearable)
                        .filter(state -> sight.shows(sought, state))
                        .map(state ->
                                new Arrangement(sought.id(), s, state, sight.gauges(sought, state), full.lifted()))
                        .stream())
                .filter(a -> !a.gauges().isEmpty())
                .findFirst();
    }

    /** Who has a setting's line where hands would let it be seen best; empty where nobody does. */
    public Optional<String> holder(String setting, Situation from) {
        Setting sought = unit.setting(setting);
        double value = unit.at(from).setting(setting);
        return candidates(sought, value).stream()
                .map(c -> loading.stand(sought, c, from).orElseGet(() -> hands.apply(c.way(), from)))
                .findFirst()
                .or(() -> Optional.of(from))
                .flatMap(model::solve)
                .flatMap(s -> s.limiterOf(sought.line()));
    }

    private static boolean better(Arrangement one, Arrangement other) {
        return one.gauges().isEmpty() == other.gauges().isEmpty()
                ? one.lifted().size() < other.lifted().size()
                : !one.gauges().isEmpty();
    }

    private List<ManualSetups.Candidate> candidates(Setting sought, double value) {
        return plain.computeIfAbsent(new Sought(sought, value), s -> discover(sought, value));
    }

    /** Where it shows without flow but can't be given the gauge so, a load opened by degrees may help. */
    private List<ManualSetups.Candidate> loaded(Setting sought, double value) {
        return loaded.computeIfAbsent(new Sought(sought, value), s -> {
            List<ManualSetups.Candidate> found = new ArrayList<>();
            if (!sight.needsFlow(sought)) {
                discover(sought, aside(sought, value), true, found);
            }
            return found;
        });
    }

    /** All other limiters out of the way, or all at their targets: in which ways of the hands does it show? */
    private List<ManualSetups.Candidate> discover(Setting sought, double value) {
        List<ManualSetups.Candidate> found = new ArrayList<>();
        Situation aside = aside(sought, value);
        Situation targets = SheetState.targets(unit).withSetting(sought.id(), value);
        for (boolean byDegrees : new boolean[] {false, true}) {
            if (!byDegrees && sight.needsFlow(sought)) {
                continue;
            }
            discover(sought, aside, byDegrees, found);
            discover(sought, targets, byDegrees, found);
            if (!found.isEmpty()) {
                break;
            }
        }
        if (found.isEmpty()) {
            unseen(sought, targets).ifPresent(found::add);
        }
        return found.stream().distinct().toList();
    }

    private Situation aside(Setting sought, double value) {
        Situation aside = SheetState.speeds(unit).withSetting(sought.id(), value);
        for (Setting s : unit.settings()) {
            if (!s.id().equals(sought.id()) && s.isPressure()) {
                double margin = unit.target(s.id()).map(Target::pressurePa).orElse(s.present());
                aside = aside.withSetting(s.id(), s.limitsPressure() ? s.screw().maxPa() : margin);
            }
        }
        return aside;
    }

    /** It would have its line, but no gauge stands there. */
    private Optional<ManualSetups.Candidate> unseen(Setting sought, Situation others) {
        return hands.plain().stream()
                .limit(MOST_TRIED)
                .filter(c -> loading.stand(sought, c, others)
                        .flatMap(model::solve)
                        .filter(state -> sight.has(sought, sought.line(), state))
                        .isPresent())
                .findFirst();
    }

    private void discover(Setting sought, Situation others, boolean byDegrees, List<ManualSetups.Candidate> into) {
        double first = Double.POSITIVE_INFINITY;
        int found = 0;
        int tried = 0;
        for (ManualSetups.Candidate candidate : byDegrees ? hands.loaded() : hands.plain()) {
            if (found >= ENOUGH
                    || candidate.cost() > first + WORSE
                    || ++tried > (byDegrees ? MOST_LOADED : MOST_TRIED)) {
                return;
            }
            Optional<SteadyState> state =
                    loading.stand(sought, candidate, others).flatMap(model::solve);
            if (state.isPresent()
                    && sight.shows(sought, state.get())
                    && !sight.gauges(sought, state.get()).isEmpty()) {
                into.add(candidate);
                first = Math.min(first, candidate.cost());
                found++;
            }
        }
    }
}
