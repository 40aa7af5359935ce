package earlygate.planner;

import earlygate.explain.Reason;
import earlygate.plan.AsFound;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.planner.script.Rates;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The plans of one unit, one of each school that is open to it. Planning is the costly part; choosing among them costs
 * nothing and may be repeated.
 */
public final class SchoolPlans {
    /** Weights of a minute without protection, a kelvin of the tank and a screw moved against each other. */
    private static final double PER_UNPROTECTED_MINUTE = 1;

    private static final double PER_KELVIN = 2;
    private static final double PER_MOVE = 1;

    private final PowerUnit unit;
    private final AsFound asFound;
    private final List<Plan> plans;
    private final List<Reason> order;
    private final List<Plan.Refusal> unfit;

    /** @param order why each setting comes when it does, whatever the school */
    SchoolPlans(PowerUnit unit, AsFound asFound, List<Plan> plans, List<Reason> order) {
        this(unit, asFound, plans, order, List.of());
    }

    private SchoolPlans(
            PowerUnit unit, AsFound asFound, List<Plan> plans, List<Reason> order, List<Plan.Refusal> unfit) {
        this.unit = unit;
        this.asFound = asFound;
        this.plans = plans;
        this.order = order;
        this.unfit = unfit;
    }

    /** Of a circuit that can't be planned in any school. */
    static SchoolPlans refused(PowerUnit unit, List<Plan.Refusal> why) {
        return new SchoolPlans(unit, AsFound.COUNT, List.of(), List.of(), why);
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

    /** Only a compensated pump with a relief of its own leaves a choice; a fixed pump's relief is set at full flow. */
    static List<School> open(PowerUnit unit) {
        return pair(unit).isPresent()
                ? List.of(School.LEAD_WITH_PUMP, School.LEAD_WITH_RELIEF, School.SIDE_BY_SIDE)
                : List.of(School.LEAD_WITH_RELIEF);
    }

    /**
     * @param school AUTO for the cheapest that is safe
     * @return with the figures of all schools side by side; refused with its reasons where it is unsafe or not open
     */
    public Plan plan(School school) {
        if (!unfit.isEmpty()) {
            return refused(school, unfit, List.of());
        }
        List<Plan.Comparison> comparison =
                plans.stream().flatMap(p -> p.comparison().stream()).toList();
        Plan chosen = school == School.AUTO ? cheapest() : of(school);
        if (!chosen.refused().isEmpty()) {
            return refused(chosen.school(), chosen.refused(), comparison);
        }
        List<Reason> told = new ArrayList<>(order);
        told.addAll(Rates.lastOf(unit, chosen));
        if (asFound == AsFound.READ && chosen.steps().stream().noneMatch(s -> s.demands(Step.Demand.AS_FOUND))) {
            told.add(Reason.of("order.as-found-counted"));
        }
        return chosen.handedOut(why(chosen), comparison, told);
    }

    private static Plan refused(School school, List<Plan.Refusal> why, List<Plan.Comparison> comparison) {
        return new Plan(school, Reason.of("plan.why.refused"), List.of(), comparison, why);
    }

    private Plan cheapest() {
        return plans.stream()
                .filter(p -> p.refused().isEmpty())
                .min(Comparator.comparingDouble(p -> cost(p.comparison().get(0))))
                .orElse(plans.get(0));
    }

    private static double cost(Plan.Comparison c) {
        return PER_UNPROTECTED_MINUTE * c.unprotected() / 60 + PER_KELVIN * c.tankRise() + PER_MOVE * c.moves();
    }

    private Plan of(School school) {
        return plans.stream().filter(p -> p.school() == school).findFirst().orElseGet(() -> {
            Reason notOpen = Reason.of("plan.refused.school")
                    .name("school", school.key())
                    .name("unit", unit.tag());
            return refused(
                    school,
                    List.of(new Plan.Refusal("school-not-for-this-unit", school.key(), notOpen)),
                    plans.get(0).comparison());
        });
    }

    /** What decided, in figures: what full flow over the relief would ask of the motor, or that there is no choice. */
    private Reason why(Plan chosen) {
        Optional<Pair> pair = pair(unit);
        if (pair.isEmpty()) {
            return Reason.of("plan.why.fixed-pump").name("unit", unit.tag());
        }
        ReliefValve relief = pair.get().relief();
        Pump pump = pair.get().pump();
        double crack = unit.target(relief.id()).map(Target::pressurePa).orElse(relief.settingPa());
        double full = relief.fullFlowPressure(
                crack, pump.displacement() * unit.driverOf(pump).noLoadSpeed());
        double load = plans.stream()
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
}
