package earlygate.planner;

import earlygate.audit.Audit;
import earlygate.explain.Reason;
import earlygate.gauge.GaugeSearch;
import earlygate.plan.AsFound;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.SectionOrder;
import earlygate.plan.Step;
import earlygate.planner.script.AsFoundReadings;
import earlygate.planner.script.Closing;
import earlygate.planner.script.FirstStart;
import earlygate.planner.script.Preliminaries;
import earlygate.planner.script.Rates;
import earlygate.planner.script.Rehearsal;
import earlygate.planner.script.Setter;
import earlygate.planner.script.Site;
import earlygate.planner.script.WarmUp;
import earlygate.planner.search.Course;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Screw;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * Derives the commissioning sequence from the circuit and proves it on the model: {@link Course} finds the order,
 * {@link Setter} writes it as steps in a school's way, {@link Rehearsal} solves every step and collects what is unsafe.
 */
public final class Planner {
    /** What a minute without protection, a kelvin of the tank and a screw moved weigh against each other. */
    private static final double PER_UNPROTECTED_MINUTE = 1;

    private static final double PER_KELVIN = 2;
    private static final double PER_MOVE = 1;

    private Planner() {}

    /** With sections before their branches, the highest first. */
    public static Plan plan(PowerUnit unit, School school) {
        return plan(unit, school, SectionOrder.HIGHEST_FIRST);
    }

    public static Plan plan(PowerUnit unit, School school, SectionOrder sections) {
        return plan(unit, school, sections, AsFound.COUNT);
    }

    /** With the settings read as they came, where the unit is asked for that and is safe as it stands. */
    public static Plan plan(PowerUnit unit, School school, SectionOrder sections, AsFound asFound) {
        List<Plan.Refusal> unfit = unfit(unit);
        if (!unfit.isEmpty()) {
            return refused(school, unfit, List.of());
        }
        GaugeSearch search = new GaugeSearch(unit);
        Course course = new Course(unit, search, sections);
        Optional<List<Course.Leg>> legs = course.derive();
        if (legs.isEmpty()) {
            return refused(school, course.stuck(), List.of());
        }
        List<Plan> all = schools(unit).stream()
                .map(s -> one(unit, search, course, legs.get(), s, asFound))
                .toList();
        List<Plan.Comparison> comparison =
                all.stream().flatMap(p -> p.comparison().stream()).toList();
        Plan chosen = school == School.AUTO ? cheapest(all) : only(all, school, unit);
        if (!chosen.refused().isEmpty()) {
            return refused(chosen.school(), chosen.refused(), comparison);
        }
        List<Reason> order = new ArrayList<>(course.told(legs.get()));
        order.addAll(Rates.lastOf(unit, chosen));
        if (asFound == AsFound.READ && chosen.steps().stream().noneMatch(s -> s.demands(Step.Demand.AS_FOUND))) {
            order.add(Reason.of("order.as-found-counted"));
        }
        return chosen.handedOut(why(unit, chosen, all), comparison, order);
    }

    private static Plan refused(School school, List<Plan.Refusal> why, List<Plan.Comparison> comparison) {
        return new Plan(school, Reason.of("plan.why.refused"), List.of(), comparison, why);
    }

    /** Only a compensated pump with a relief of its own leaves a choice; a fixed pump's relief is set at full flow. */
    private static List<School> schools(PowerUnit unit) {
        return pair(unit).isPresent()
                ? List.of(School.LEAD_WITH_PUMP, School.LEAD_WITH_RELIEF, School.SIDE_BY_SIDE)
                : List.of(School.LEAD_WITH_RELIEF);
    }

    private record Pair(Pump pump, ReliefValve relief) {}

    private static Optional<Pair> pair(PowerUnit unit) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.compensator().isPresent())
                .flatMap(p -> unit.all(ReliefValve.class).stream()
                        .filter(r ->
                                r.role() == ReliefValve.Role.MAIN && r.inlet().equals(p.outlet()))
                        .map(r -> new Pair(p, r)))
                .findFirst();
    }

    /** A unit that can't be run as it stands is planned with its screws backed out first, and counted. */
    private static Plan one(
            PowerUnit unit, GaugeSearch search, Course course, List<Course.Leg> legs, School school, AsFound asFound) {
        Plan plan = written(unit, search, course, legs, school, asFound);
        return asFound == AsFound.COUNT || plan.refused().isEmpty()
                ? plan
                : written(unit, search, course, legs, school, AsFound.COUNT);
    }

    private static Plan written(
            PowerUnit unit, GaugeSearch search, Course course, List<Course.Leg> legs, School school, AsFound asFound) {
        boolean read = asFound == AsFound.READ;
        ToDoubleFunction<Setting> start = s -> course.start(s, school == School.LEAD_WITH_RELIEF);
        Site site = Site.of(unit, search);
        Preliminaries before = new Preliminaries(site);
        before.paper();
        before.makeSafe();
        before.beforeStart(read ? Optional.empty() : Optional.of(start));
        new FirstStart(site).firstStart();
        new WarmUp(site).write(!read);
        if (read) {
            new AsFoundReadings(site).write();
            before.startPositions(start);
        }
        Setter setter = new Setter(site, school, legs);
        setter.set();
        setter.lock();
        Closing after = new Closing(site);
        after.verify();
        after.handOver();
        List<Phase> phases = site.script().phases();
        List<Plan.Refusal> refused = site.rehearsal().refused.isEmpty()
                ? audited(unit, new Plan(school, Reason.of("plan.why.none"), phases, List.of(), List.of()))
                : site.rehearsal().refused;
        List<Plan.Comparison> cost =
                List.of(site.script().comparison(school, refused.stream().findFirst()));
        if (!refused.isEmpty()) {
            return new Plan(school, Reason.of("plan.why.none"), List.of(), cost, refused);
        }
        Plan plan = new Plan(school, Reason.of("plan.why.none"), phases, cost, List.of());
        return plan.audited(plan.steps().size());
    }

    /** What an auditor who shares nothing with this but the solver holds against it. */
    private static List<Plan.Refusal> audited(PowerUnit unit, Plan plan) {
        return Audit.of(unit, plan).stream()
                .map(v -> new Plan.Refusal(
                        "audit-" + v.point().key(),
                        v.step(),
                        Reason.of("plan.refused.audit")
                                .name("step", v.step())
                                .said("action", plan.step(v.step()).action())
                                .said("why", v.message())))
                .toList();
    }

    private static Plan cheapest(List<Plan> all) {
        return all.stream()
                .filter(p -> p.refused().isEmpty())
                .min(Comparator.comparingDouble(p -> cost(p.comparison().get(0))))
                .orElse(all.get(0));
    }

    private static double cost(Plan.Comparison c) {
        return PER_UNPROTECTED_MINUTE * c.unprotected() / 60 + PER_KELVIN * c.tankRise() + PER_MOVE * c.moves();
    }

    private static Plan only(List<Plan> all, School school, PowerUnit unit) {
        return all.stream()
                .filter(p -> p.school() == school)
                .findFirst()
                .orElseGet(() -> refused(
                        school,
                        List.of(new Plan.Refusal(
                                "school-not-for-this-unit",
                                school.key(),
                                Reason.of("plan.refused.school")
                                        .name("school", school.key())
                                        .name("unit", unit.tag()))),
                        all.get(0).comparison()));
    }

    /** What decided, in figures: what full flow over the relief would ask of the motor, or that there is no choice. */
    private static Reason why(PowerUnit unit, Plan chosen, List<Plan> all) {
        Optional<Pair> pair = pair(unit);
        if (pair.isEmpty()) {
            return Reason.of("plan.why.fixed-pump").name("unit", unit.tag());
        }
        ReliefValve relief = pair.get().relief();
        Pump pump = pair.get().pump();
        double crack = unit.target(relief.id()).map(Target::pressurePa).orElse(relief.settingPa());
        double full = relief.fullFlowPressure(
                crack, pump.displacement() * unit.driverOf(pump).noLoadSpeed());
        double load = all.stream()
                .filter(p -> p.school() == School.LEAD_WITH_RELIEF)
                .mapToDouble(p -> p.comparison().get(0).peakMotorLoad())
                .findFirst()
                .orElse(0);
        double limit = unit.driverOf(pump).serviceFactor();
        String code = chosen.school() == School.LEAD_WITH_RELIEF
                ? "plan.why.relief-leads"
                : load > limit ? "plan.why.motor-too-small" : "plan.why.less-heat";
        return Reason.of(code)
                .name("motor", pump.driver())
                .name("relief", relief.id())
                .ratio("load", load)
                .ratio("limit", limit)
                .pressure("fullFlow", full)
                .number("moves", chosen.comparison().get(0).moves())
                .warming("rise", chosen.comparison().get(0).tankRise());
    }

    /** Reasons why this circuit can't be planned at all, each with what to fit or say. */
    private static List<Plan.Refusal> unfit(PowerUnit unit) {
        List<Plan.Refusal> unfit = new ArrayList<>();
        for (Setting s : unit.settings()) {
            if (!s.isPressure()) {
                continue;
            }
            Optional<Target> target = unit.target(s.id());
            if (target.isEmpty()) {
                unfit.add(new Plan.Refusal(
                        "target-missing",
                        s.id(),
                        Reason.of("plan.refused.no-target").name("setting", s.id())));
            } else if (outside(s.screw(), target.get())) {
                unfit.add(new Plan.Refusal(
                        "target-out-of-range",
                        s.id(),
                        Reason.of("plan.refused.range")
                                .name("setting", s.id())
                                .pressure("target", target.get().pressurePa())
                                .pressure("min", s.screw().minPa())
                                .pressure("max", s.screw().maxPa())));
            }
        }
        if (unit.testPoints().isEmpty()) {
            String line = unit.lines().get(0).id();
            unfit.add(new Plan.Refusal(
                    "gauge-missing",
                    line,
                    Reason.of("plan.refused.no-gauge-at-all").name("unit", unit.tag())));
        }
        if (unit.all(Pump.class).isEmpty()) {
            unfit.add(new Plan.Refusal(
                    "pump-missing",
                    unit.tag(),
                    Reason.of("plan.refused.no-pump").name("unit", unit.tag())));
        }
        return unfit;
    }

    private static boolean outside(Screw screw, Target t) {
        return t.pressurePa() < screw.minPa() || t.pressurePa() > screw.maxPa();
    }
}
