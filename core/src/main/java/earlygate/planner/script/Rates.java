package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.gauge.RateSearch;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Plan;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.unit.Control;
import earlygate.unit.FlowControl;
import earlygate.unit.PowerUnit;
import earlygate.unit.RateTarget;
import earlygate.unit.Situation;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Flows and power, after every pressure that they depend on is set: pumps' full-stroke stops, flow controls, then power
 * limiters; at most an eighth of a turn at a time, read on a flow meter or on the current of the drive.
 */
public final class Rates {
    private static final int STOP = 0;
    private static final int FLOW = 1;
    private static final int POWER = 2;

    private final Site site;
    private final PowerUnit unit;
    private final Moves moves;
    private final RateSearch search;

    Rates(Site site, Moves moves) {
        this.site = site;
        this.unit = site.unit();
        this.moves = moves;
        this.search = new RateSearch(site.model(), site.rehearsal()::safe);
    }

    void write() {
        unit.rateTargets().stream()
                .filter(t -> unit.hasScrew(t.setting()))
                .sorted(Comparator.comparing(Rates::turn))
                .forEach(this::set);
    }

    /** Why those that a plan sets come last. */
    public static List<Reason> lastOf(PowerUnit unit, Plan plan) {
        List<String> set = plan.settingOrder();
        return unit.rateTargets().stream()
                .filter(t -> set.contains(t.setting()))
                .map(t -> of("order.rate-after-pressures").name("setting", t.setting()))
                .toList();
    }

    /** What has no screw is read where something shows it; nobody can turn it. */
    void read() {
        unit.rateTargets().stream().filter(t -> !unit.hasScrew(t.setting())).forEach(this::read);
    }

    private void read(RateTarget t) {
        double stands = stands(t);
        if (Math.abs(stands - t.value()) > t.tolerance()) {
            // By the sheet itself it is not what is asked: no reading of it could be good.
            said(t, told(of("plan.rate-off"), t).with("stands", new Amount(stands, kind(t))), "plan.why.rate-off");
            return;
        }
        search.find(t, from()).ifPresent(seen -> {
            GearFitting.before(site, seen.situation());
            site.rehearsal().go(seen.situation());
            site.script()
                    .step(
                            Step.Kind.TEST,
                            told(of("plan.read-rate"), t)
                                    .name("instrument", seen.instrument())
                                    .with("reads", new Amount(seen.reads(), seen.quantity())))
                    .why(told(of("plan.why.read-rate"), t))
                    .test(Procedure.Kind.RATE, t.setting())
                    .expect(expected(seen, (t.value() - stands) / t.tolerance()))
                    .ifNot(of("plan.if-not.rate-off").name("setting", t.setting()))
                    .caution("injection")
                    .onTime(site.drivers())
                    .minutes(2)
                    .add();
        });
    }

    private double stands(RateTarget t) {
        return unit.component(t.setting().split("\\.")[0]) instanceof FlowControl f
                ? f.set()
                : unit.setting(t.setting()).present();
    }

    private Situation from() {
        return site.loads(site.running(site.rehearsal().situation), 0)
                .centred(unit)
                .allBlocked();
    }

    /** @param off tolerances by which what is asked lies above what stands; the band is that of what is asked */
    private static Expect expected(RateSearch.Seen seen, double off) {
        double middle = seen.reads() + off * seen.tolerance();
        return new Expect(
                seen.instrument(), seen.quantity(), seen.reads(), middle - seen.tolerance(), middle + seen.tolerance());
    }

    /** Whose turn it is. */
    private static int turn(RateTarget t) {
        return Control.in(t.setting())
                .map(place -> place.control() == Control.POWER_LIMITER ? POWER : STOP)
                .orElse(FLOW);
    }

    private void set(RateTarget t) {
        Rehearsal m = site.rehearsal();
        Optional<RateSearch.Seen> found = search.find(t, from());
        if (found.isEmpty()) {
            unseen(t);
            return;
        }
        RateSearch.Seen seen = found.get();
        GearFitting.before(site, seen.situation());
        // From here it is turned up from where it came, an eighth at a time, its reading in view.
        m.proved(t.setting());
        double before = m.situation
                .settings()
                .getOrDefault(t.setting(), unit.setting(t.setting()).present());
        m.go(seen.situation().withSetting(t.setting(), before));
        site.script().arrange(Set.of());
        m.go(seen.situation());
        Goal goal = new Goal.Rate(seen.instrument(), seen.quantity(), seen.reads(), seen.tolerance());
        List<Expect> expect = List.of(expected(seen, 0));
        boolean power = turn(t) == POWER;
        site.script()
                .step(
                        Step.Kind.SET,
                        told(of(seen.quantity() == Kind.CURRENT ? "plan.set-current" : "plan.set-flow"), t)
                                .name("instrument", seen.instrument())
                                .with("reads", new Amount(seen.reads(), seen.quantity())))
                .why(told(of(power ? "plan.why.set-power" : "plan.why.set-flow"), t))
                .setting(t.setting())
                .goal(goal)
                .expect(expect)
                .ifNot(of("plan.if-not.rate-stands").name("setting", t.setting()))
                .caution("injection", "adjuster-only")
                .fullFlow()
                .onTime(site.drivers())
                .people(2)
                .minutes(6)
                .add();
        moves.lockStep(t.setting(), goal, expect);
    }

    /** Nothing at hand shows it: it stays as it came, and the plan says so instead of passing over it. */
    private void unseen(RateTarget t) {
        said(t, told(of("plan.rate-unseen"), t), "plan.why.rate-unseen");
    }

    private void said(RateTarget t, Reason what, String why) {
        Script.Writer step = site.script()
                .step(Step.Kind.CHECK, what)
                .why(of(why).name("setting", t.setting()))
                .minutes(1);
        if (unit.hasScrew(t.setting())) {
            step.setting(t.setting());
        }
        step.add();
    }

    /** What is agreed on paper. */
    static Reason asked(RateTarget t) {
        return told(of("plan.target"), t).with("tolerance", new Amount(t.tolerance(), kind(t)));
    }

    private static Reason told(Reason sentence, RateTarget t) {
        return sentence.name("setting", t.setting()).with("target", new Amount(t.value(), kind(t)));
    }

    private static Kind kind(RateTarget t) {
        return turn(t) == POWER ? Kind.POWER : Kind.FLOW;
    }
}
