package earlygate.planner.search;

import static earlygate.quantity.Si.KW;

import earlygate.explain.Reason;
import earlygate.gauge.Arrangement;
import earlygate.gauge.GaugeSearch;
import earlygate.gauge.SheetState;
import earlygate.plan.Plan;
import earlygate.plan.SectionOrder;
import earlygate.quantity.Si;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Section;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;

/**
 * The order in which each setting can be given the gauge, found by search on the model. A setting that is done may not be
 * touched again, so whatever would hide a later one must come after it; among the possible orders the cheapest in screws
 * moved, heat, and readings that are lost or depend on what is not set yet wins.
 */
public final class Course {
    /** What a leg costs: a screw to be raised for it, a gauge lost or dependent, and a kilowatt into the oil. */
    private static final double MOVE = 10;

    private static final double LOSES_THE_GAUGE = 5;
    private static final double DEPENDS_ON_UNSET = 15;
    /** Costs nearer than this decide nothing. */
    private static final double ABOUT_THE_SAME = 1;

    /** A setting is to keep its gauge this far past its target. */
    private static final double PAST = 1.25;
    /** Pa of reading per Pa of another setting, from which on the reading depends on it. */
    private static final double DEPENDS = 0.3;

    /** @param setting Pa at which the screw stands when the gauge shows the target */
    public record Leg(Target target, double setting, Arrangement shown) {}

    private final PowerUnit unit;
    private final GaugeSearch search;
    private final Recipe recipe;
    private final SectionOrder sections;
    private final Map<String, Plan.Refusal> stuck = new LinkedHashMap<>();
    private final Set<String> seen = new TreeSet<>();
    private final Map<String, Optional<Way>> ways = new HashMap<>();
    private final Map<String, Optional<Option>> known = new HashMap<>();
    private final Optional<List<Leg>> legs;

    private record Option(Leg leg, double cost) {}

    private record Way(List<Leg> legs, double cost) {}

    private Course(GaugeSearch search, SectionOrder sections) {
        this.unit = search.model().unit();
        this.search = search;
        this.sections = sections;
        this.recipe = new Recipe(unit, sections);
        this.legs = derived();
    }

    /** Searched again with a load opened where there is no order without. */
    public static Course of(Model model, SectionOrder sections) {
        GaugeSearch search = new GaugeSearch(model);
        Course plain = new Course(search, sections);
        return plain.legs.isPresent() ? plain : new Course(search.withLoadsToo(), sections);
    }

    /** Empty where there is no such order; {@link #stuck()} then says why. */
    public Optional<List<Leg>> legs() {
        return legs;
    }

    /** The search that found it. */
    public GaugeSearch search() {
        return search;
    }

    private Optional<List<Leg>> derived() {
        Situation start = SheetState.speeds(unit);
        for (Setting s : unit.settings()) {
            start = start.withSetting(s.id(), start(s, true));
        }
        return best(start, new TreeSet<>()).map(Way::legs);
    }

    /** Why each comes when it does: by the trade's own order, or because it is cheapest so. */
    public List<Reason> told() {
        List<Reason> told = new ArrayList<>();
        Set<String> before = new TreeSet<>();
        for (Leg leg : legs.orElse(List.of())) {
            String id = leg.target().setting();
            told.add(recipe.told(unit.setting(id), before).orElseGet(() -> cheapest(leg)));
            before.add(id);
        }
        return told;
    }

    private static Reason cheapest(Leg leg) {
        List<String> raised = leg.shown().raised();
        return Reason.of(raised.isEmpty() ? "order.nothing-in-the-way" : "order.puts-clear")
                .name("setting", leg.target().setting())
                .names("others", raised)
                .pressure("target", leg.target().pressurePa());
    }

    /** What stands in the way itself: a setting that was seen in some order is only a by-product of the search. */
    public List<Plan.Refusal> stuck() {
        List<Plan.Refusal> own =
                stuck.values().stream().filter(r -> !seen.contains(r.subject())).toList();
        return own.isEmpty() ? List.copyOf(stuck.values()) : own;
    }

    /** Where a screw stands before the first start; compensators out or in as the school has it. */
    public double start(Setting s, boolean compensatorsIn) {
        return switch (s.kind()) {
            case COMPENSATOR -> compensatorsIn ? s.screw().maxPa() : s.screw().minPa();
            case UNLOADING ->
                ((UnloadingValve) unit.component(s.id())).differential().isPresent()
                        ? s.screw().maxPa()
                        : s.screw().minPa();
            case REDUCING, PORT_RELIEF -> s.screw().minPa();
            case RELIEF -> branchesFirst(s) ? s.present() : s.screw().minPa();
            default -> s.present();
        };
    }

    private boolean branchesFirst(Setting s) {
        return sections == SectionOrder.BRANCHES_FIRST
                && unit.component(s.id()) instanceof ReliefValve r
                && r.role() == ReliefValve.Role.MAIN
                && !unit.all(Section.class).isEmpty();
    }

    /** The cheapest order of what is left; of orders that cost about the same, the one that falls in pressure. */
    private Optional<Way> best(Situation at, Set<String> done) {
        List<Target> left = unit.targets().stream()
                .filter(t -> !done.contains(t.setting()))
                .sorted(Comparator.comparingDouble((Target t) -> -t.pressurePa()))
                .toList();
        if (left.isEmpty()) {
            return Optional.of(new Way(List.of(), 0));
        }
        String key = key(at, done);
        Optional<Way> before = ways.get(key);
        if (before != null) {
            return before;
        }
        Way best = null;
        for (Target t : left) {
            if (done.containsAll(recipe.before(unit.setting(t.setting())))) {
                Way found =
                        option(t, at, done).flatMap(o -> onwards(o, at, done)).orElse(null);
                if (found != null && (best == null || found.cost() < best.cost() - ABOUT_THE_SAME)) {
                    best = found;
                }
            }
        }
        ways.put(key, Optional.ofNullable(best));
        return Optional.ofNullable(best);
    }

    private Optional<Way> onwards(Option o, Situation at, Set<String> done) {
        String setting = o.leg().target().setting();
        Situation next = at.withSetting(setting, o.leg().setting());
        for (Map.Entry<String, Double> up : o.leg().shown().lifted().entrySet()) {
            next = next.withSetting(up.getKey(), up.getValue());
        }
        Set<String> with = new TreeSet<>(done);
        with.add(setting);
        return best(next, with).map(rest -> {
            List<Leg> legs = new ArrayList<>(List.of(o.leg()));
            legs.addAll(rest.legs());
            return new Way(legs, o.cost() + rest.cost());
        });
    }

    private static String key(Situation at, Set<String> done) {
        return done + new TreeMap<>(at.settings()).toString();
    }

    private Optional<Option> option(Target t, Situation at, Set<String> done) {
        String key = t.setting() + key(at, done);
        return known.computeIfAbsent(key, k -> weigh(t, at, done));
    }

    private Optional<Option> weigh(Target t, Situation at, Set<String> done) {
        Predicate<String> mayRaise = id -> !done.contains(id)
                && !id.equals(t.setting())
                && unit.setting(id).limitsPressure();
        double v = search.settingFor(t, at, mayRaise);
        Situation from = at.withSetting(t.setting(), v);
        Optional<Arrangement> found = search.find(t.setting(), from, mayRaise);
        if (found.isEmpty()) {
            hidden(t, from);
            return Optional.empty();
        }
        Arrangement shown = found.get();
        if (shown.gauges().isEmpty()) {
            refuse(
                    "gauge-missing",
                    unit.setting(t.setting()).line(),
                    Reason.of("plan.refused.no-gauge")
                            .name("line", unit.setting(t.setting()).line())
                            .name("setting", t.setting()));
            return Optional.empty();
        }
        TestPoint gauge = shown.gauges().get(0);
        double apart = Math.max(gauge.errorPa(), t.tolerancePa());
        if (!keeps(shown, gauge, v + apart)) {
            shown = further(t, from, v + apart, mayRaise).orElse(shown);
        }
        if (!keeps(shown, gauge, v + apart)) {
            Reason apartness = Reason.of("plan.refused.apart")
                    .name("setting", t.setting())
                    .name("gauge", gauge.id())
                    .pressure("needed", apart);
            Optional<String> holder = holder(shown, gauge, v + apart);
            refuse(
                    "never-has-the-gauge",
                    t.setting(),
                    holder.isPresent()
                            ? apartness.name("holder", holder.get())
                            : apartness.said("holder", Reason.of("part.no-other-limiter")));
            return Optional.empty();
        }
        long moves = shown.lifted().entrySet().stream()
                .filter(up -> at.settings().get(up.getKey()) < up.getValue() - 1)
                .count();
        double cost = MOVE * moves
                + (keeps(shown, gauge, PAST * v) ? 0 : LOSES_THE_GAUGE)
                + (depends(shown, gauge, t, done) ? DEPENDS_ON_UNSET : 0)
                + shown.state().shaftPower() / KW;
        seen.add(t.setting());
        return Optional.of(new Option(new Leg(t, v, shown), cost));
    }

    /** The others put as far away as a screw asks that stands somewhat high. */
    private Optional<Arrangement> further(Target t, Situation from, double higher, Predicate<String> mayRaise) {
        return search.find(t.setting(), from.withSetting(t.setting(), higher), mayRaise)
                .flatMap(far -> {
                    Situation cleared = from;
                    for (Map.Entry<String, Double> up : far.lifted().entrySet()) {
                        cleared = cleared.withSetting(up.getKey(), up.getValue());
                    }
                    return search.again(far, cleared);
                });
    }

    private boolean keeps(Arrangement shown, TestPoint gauge, double setting) {
        return holder(shown, gauge, setting).filter(shown.setting()::equals).isPresent();
    }

    private Optional<String> holder(Arrangement shown, TestPoint gauge, double setting) {
        double within = unit.setting(shown.setting()).screw().clamp(setting);
        return search.model()
                .solve(shown.situation().withSetting(shown.setting(), within))
                .flatMap(s -> s.limiterOf(gauge.line()));
    }

    /** A reading that moves with a screw which has yet to be set proves nothing yet. */
    private boolean depends(Arrangement shown, TestPoint gauge, Target t, Set<String> done) {
        for (Target other : unit.targets()) {
            String id = other.setting();
            if (id.equals(t.setting()) || done.contains(id) || shown.raised().contains(id)) {
                continue;
            }
            double at = unit.at(shown.situation()).setting(id);
            Optional<SteadyState> moved = search.model().solve(shown.situation().withSetting(id, at + Si.BAR));
            double now = shown.state().pressure(gauge.line());
            if (moved.isEmpty() || Math.abs(moved.get().pressure(gauge.line()) - now) > DEPENDS * Si.BAR) {
                return true;
            }
        }
        return false;
    }

    private void hidden(Target t, Situation from) {
        String line = unit.setting(t.setting()).line();
        Optional<String> holder = search.holder(t.setting(), from).filter(h -> !h.equals(t.setting()));
        refuse("never-has-the-gauge", t.setting(), Refusals.hidden(t.setting(), line, holder));
    }

    private void refuse(String code, String subject, Reason message) {
        stuck.putIfAbsent(code + subject, new Plan.Refusal(code, subject, message));
    }
}
