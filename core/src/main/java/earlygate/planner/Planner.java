package earlygate.planner;

import earlygate.audit.Audit;
import earlygate.explain.Reason;
import earlygate.plan.AsFound;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.SectionOrder;
import earlygate.planner.script.AsFoundReadings;
import earlygate.planner.script.Closing;
import earlygate.planner.script.FirstStart;
import earlygate.planner.script.Preliminaries;
import earlygate.planner.script.Rehearsal;
import earlygate.planner.script.Setter;
import earlygate.planner.script.Site;
import earlygate.planner.script.WarmUp;
import earlygate.planner.search.Course;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Screw;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * Derives the commissioning sequence from the circuit and proves it on the model: {@link Course} finds the order,
 * {@link Setter} writes it as steps in a school's way, {@link Rehearsal} solves every step and collects what is unsafe.
 */
public final class Planner {
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
        return schools(unit, sections, asFound).plan(school);
    }

    /** The plan of every school that the unit leaves a choice of, each written and audited once. */
    public static SchoolPlans schools(PowerUnit unit, SectionOrder sections, AsFound asFound) {
        List<Plan.Refusal> unfit = unfit(unit);
        if (!unfit.isEmpty()) {
            return SchoolPlans.refused(unit, unfit);
        }
        Model model = Model.of(unit);
        Course course = Course.of(model, sections);
        if (course.legs().isEmpty()) {
            return SchoolPlans.refused(unit, course.stuck());
        }
        List<Plan> plans = SchoolPlans.open(unit).stream()
                .map(s -> one(course, s, asFound))
                .toList();
        return new SchoolPlans(unit, asFound, plans, course.told());
    }

    /** A unit that can't be run as it stands is planned with its screws backed out first, and counted. */
    private static Plan one(Course course, School school, AsFound asFound) {
        Plan plan = written(course, school, asFound);
        return asFound == AsFound.COUNT || plan.refused().isEmpty() ? plan : written(course, school, AsFound.COUNT);
    }

    private static Plan written(Course course, School school, AsFound asFound) {
        boolean read = asFound == AsFound.READ;
        ToDoubleFunction<Setting> start = s -> course.start(s, school == School.LEAD_WITH_RELIEF);
        Site site = Site.of(course.search());
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
        Setter setter = new Setter(site, school, course.legs().orElseThrow());
        setter.set();
        setter.lock();
        Closing after = new Closing(site);
        after.verify();
        after.handOver();
        List<Phase> phases = site.script().phases();
        List<Plan.Refusal> refused = site.rehearsal().refused.isEmpty()
                ? audited(site.model(), new Plan(school, Reason.of("plan.why.none"), phases, List.of(), List.of()))
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
    private static List<Plan.Refusal> audited(Model model, Plan plan) {
        return Audit.of(model, plan).stream()
                .map(v -> new Plan.Refusal(
                        "audit-" + v.point().key(),
                        v.step(),
                        Reason.of("plan.refused.audit")
                                .name("step", v.step())
                                .said("action", plan.step(v.step()).action())
                                .said("why", v.message())))
                .toList();
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
