package earlygate.plan;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.ReliefValve;
import earlygate.circuit.Screw;
import earlygate.circuit.Setting;
import earlygate.circuit.Target;
import earlygate.circuit.TestPoint;
import earlygate.circuit.Throttle;
import earlygate.explain.Reason;
import earlygate.ladder.GapSchool;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Derives the commissioning sequence from the circuit and proves it on the model. Now for one line with a compensated
 * pump, a relief and a load throttle, in the school that leads with the pump.
 */
public final class Planner {
    private Planner() {}

    public static Plan plan(PowerUnit unit, School school, GapSchool gaps) {
        List<Plan.Refusal> refused = unfit(unit, school);
        if (!refused.isEmpty()) {
            return new Plan(school, Reason.of("plan.why.refused"), List.of(), List.of(), refused);
        }
        PumpLine line = pumpLine(unit).orElseThrow();
        refused = outOfReach(unit, line, gaps);
        if (!refused.isEmpty()) {
            return new Plan(school, Reason.of("plan.why.refused"), List.of(), List.of(), refused);
        }
        return new LeadWithPump(unit, line).plan();
    }

    /** What the school works on: the parts of one line, each with what the schematic asks of it. */
    record PumpLine(
            Pump pump, Target compensator, ReliefValve relief, Target cracking, Throttle load, TestPoint gauge) {
        String line() {
            return pump.outlet();
        }
    }

    private static Optional<PumpLine> pumpLine(PowerUnit unit) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.compensator().isPresent() && unit.driverOf(p) instanceof ElectricMotor)
                .flatMap(p -> unit.all(ReliefValve.class).stream()
                        .filter(r -> r.inlet().equals(p.outlet()))
                        .flatMap(r -> unit.all(Throttle.class).stream()
                                .filter(t -> t.a().equals(p.outlet()))
                                .filter(t -> t.purpose() == Throttle.Purpose.LOAD)
                                .flatMap(t ->
                                        unit.gaugesOn(p.outlet()).stream()
                                                .min(Comparator.comparing(TestPoint::errorPa))
                                                .stream()
                                                .flatMap(g -> unit.target(p.compensatorId()).stream()
                                                        .flatMap(c -> unit.target(r.id()).stream()
                                                                .map(rt -> new PumpLine(p, c, r, rt, t, g)))))))
                .findFirst();
    }

    /** Reasons why this circuit can't be planned at all, each with what to fit or say. */
    private static List<Plan.Refusal> unfit(PowerUnit unit, School school) {
        List<Plan.Refusal> refused = new ArrayList<>();
        if (school != School.LEAD_WITH_PUMP && school != School.AUTO) {
            refused.add(new Plan.Refusal(
                    "school-not-planned",
                    school.key(),
                    Reason.of("plan.refused.school").name("school", school.key())));
        }
        for (Setting s : unit.settings()) {
            if (unit.target(s.id()).isEmpty()) {
                refused.add(new Plan.Refusal(
                        "target-missing",
                        s.id(),
                        Reason.of("plan.refused.no-target").name("setting", s.id())));
            }
            if (unit.gaugesOn(s.line()).isEmpty()) {
                refused.add(new Plan.Refusal(
                        "gauge-missing",
                        s.line(),
                        Reason.of("plan.refused.no-gauge")
                                .name("line", s.line())
                                .name("setting", s.id())));
            }
        }
        boolean single = unit.settings().size() == 2 && unit.lines().size() == 1;
        if (refused.isEmpty() && (!single || pumpLine(unit).isEmpty())) {
            refused.add(new Plan.Refusal(
                    "circuit-not-planned",
                    unit.tag(),
                    Reason.of("plan.refused.circuit").name("unit", unit.tag())));
        }
        return refused;
    }

    private static List<Plan.Refusal> outOfReach(PowerUnit unit, PumpLine line, GapSchool gaps) {
        List<Plan.Refusal> refused = new ArrayList<>();
        for (Target t : List.of(line.cracking(), line.compensator())) {
            Screw screw = unit.setting(t.setting()).screw();
            if (t.pressurePa() < screw.minPa() || t.pressurePa() > screw.maxPa()) {
                Reason why = Reason.of("plan.refused.range")
                        .name("setting", t.setting())
                        .pressure("target", t.pressurePa())
                        .pressure("min", screw.minPa())
                        .pressure("max", screw.maxPa());
                refused.add(new Plan.Refusal("target-out-of-range", t.setting(), why));
            }
        }
        // The compensator must come down past what its gauge can tell apart, or the relief keeps the line.
        double apart = line.cracking().pressurePa() - line.compensator().pressurePa();
        double needed = Math.max(line.gauge().errorPa(), line.compensator().tolerancePa());
        if (apart < needed) {
            Reason why = Reason.of("plan.refused.order")
                    .name("relief", line.relief().id())
                    .name("compensator", line.pump().compensatorId())
                    .pressure("apart", apart)
                    .pressure("needed", needed)
                    .pressure("gap", gaps.gap(unit, line.line(), line.compensator(), line.cracking()));
            refused.add(new Plan.Refusal("never-has-the-gauge", line.pump().compensatorId(), why));
        }
        double reach = line.pump().compensator().orElseThrow().screw().maxPa();
        if (reach < line.cracking().pressurePa()) {
            Reason why = Reason.of("plan.refused.reach")
                    .name("relief", line.relief().id())
                    .name("compensator", line.pump().compensatorId())
                    .pressure("target", line.cracking().pressurePa())
                    .pressure("max", reach);
            refused.add(new Plan.Refusal("never-has-the-gauge", line.relief().id(), why));
        }
        return refused;
    }
}
