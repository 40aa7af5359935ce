package earlygate.ladder;

import static earlygate.quantity.Si.BAR;

import earlygate.solve.Model;
import earlygate.target.GapSchool;
import earlygate.unit.Accumulator;
import earlygate.unit.Driver;
import earlygate.unit.FlowControl;
import earlygate.unit.Paths;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import earlygate.unit.Work;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What every rule looks at: the unit with its settings at target, and the model to ask for figures. */
record LadderInput(PowerUnit unit, GapSchool gaps, Model model, Paths paths, Paths unhindered, List<Target> schematic) {
    LadderInput(PowerUnit unit, GapSchool gaps, List<Target> schematic) {
        this(unit, gaps, Model.of(unit), new Paths(unit), new Paths(unit, c -> !(c instanceof FlowControl)), schematic);
    }

    /** A relief and a compensator that act on the same line, both with a target. */
    record Pair(ReliefValve relief, Target reliefTarget, Pump pump, Target compensatorTarget) {}

    List<Pair> pairs() {
        return reliefs().stream()
                .flatMap(r -> unit.pumpsInto(r.inlet()).stream()
                        .filter(p -> p.compensator().isPresent())
                        .flatMap(p -> pair(r, p).stream()))
                .toList();
    }

    private Optional<Pair> pair(ReliefValve relief, Pump pump) {
        return unit.target(relief.id())
                .flatMap(r -> unit.target(pump.compensatorId()).map(c -> new Pair(relief, r, pump, c)));
    }

    List<ReliefValve> reliefs() {
        return unit.all(ReliefValve.class);
    }

    /**
     * Full flow of all pumps that get to a line, m3/s, unloaded and without leakage: the most a relief there can meet. A
     * pump whose oil comes from a line with an unloading valve is unloaded by then; what comes through flow controls alone
     * is no more than they let through.
     */
    double fullFlow(String line) {
        List<Pump> direct = unhindered.feeding(line);
        double free = flow(line, direct);
        double controlled = flow(
                line,
                paths.feeding(line).stream().filter(p -> !direct.contains(p)).toList());
        double let = unit.all(FlowControl.class).stream()
                .filter(f -> paths.reached(f.outlet()).contains(line))
                .mapToDouble(FlowControl::set)
                .sum();
        return free + Math.min(controlled, let);
    }

    private double flow(String line, List<Pump> pumps) {
        return pumps.stream()
                .filter(p -> p.outlet().equals(line) || unloading(p).isEmpty())
                .mapToDouble(this::fullFlow)
                .sum();
    }

    double fullFlow(Pump p) {
        return p.displacement() * p.maxStroke() * unit.driverOf(p).noLoadSpeed();
    }

    private Optional<UnloadingValve> unloading(Pump p) {
        return unit.all(UnloadingValve.class).stream()
                .filter(u -> u.inlet().equals(p.outlet()))
                .findFirst();
    }

    /** Accumulators that a pilot line fills. */
    List<Accumulator> accumulatorsOn(String line) {
        return unit.all(Accumulator.class).stream()
                .filter(a -> paths.tied(line).contains(a.line()))
                .toList();
    }

    /** The most that work on this line needs, Pa; empty where the sheet says of none. */
    OptionalDouble need(String line) {
        return unit.work().stream()
                .filter(w -> w.line().equals(line))
                .mapToDouble(Work::pressurePa)
                .max();
    }

    /** The main relief that protects a line, lowest target first; none without one. */
    Optional<ReliefValve> mainRelief(String line) {
        return reliefs().stream()
                .filter(r ->
                        r.role() == ReliefValve.Role.MAIN && unit.target(r.id()).isPresent())
                .filter(r -> paths.tied(r.inlet()).contains(line)
                        || paths.reached(r.inlet()).contains(line))
                .min(Comparator.comparingDouble(this::cracking));
    }

    double cracking(ReliefValve relief) {
        return cracking(relief, unit.target(relief.id()).orElseThrow());
    }

    /** The distance asked between two limits where no compensator with a target tells it, Pa. */
    double gapAbove(Target lower, Target upper) {
        return gaps.gap(unit, unit.setting(lower.setting()).line(), lower, upper);
    }

    /** Where the valve begins to pass when it is set to its target, Pa. */
    double cracking(ReliefValve relief, Target target) {
        return target.defined() == Target.Defined.CRACKING
                ? target.pressurePa()
                : target.pressurePa() - (relief.fullFlowPressure(0, fullFlow(relief.inlet())));
    }

    /** What the line sees when the relief takes every pump's full flow, Pa. */
    double fullFlowPressure(ReliefValve relief, Target target) {
        return relief.fullFlowPressure(cracking(relief, target), fullFlow(relief.inlet()));
    }

    Situation atTargets() {
        Situation s = Situation.AS_THE_FILE;
        for (Target t : unit.targets()) {
            s = s.withSetting(t.setting(), t.pressurePa());
        }
        return s;
    }

    /**
     * Motor load, fraction of rating, with a pump line held at a pressure (Pa) and this compensator setting (Pa); empty
     * where the model finds no state.
     */
    OptionalDouble load(Pump pump, double linePa, double compensatorPa) {
        Driver motor = unit.driverOf(pump);
        Situation held =
                atTargets().withSetting(pump.compensatorId(), compensatorPa).withPressure(pump.outlet(), linePa);
        return loadOf(motor, held);
    }

    OptionalDouble loadOf(Driver motor, Situation situation) {
        return model.solve(situation).stream()
                .mapToDouble(state -> state.driver(motor.id()).load())
                .findFirst();
    }

    /** Load at full flow just before the compensator begins to take the pump back. */
    OptionalDouble cornerLoad(Pump pump, double compensatorPa) {
        return load(pump, compensatorPa - pump.compensator().orElseThrow().bandPa(), compensatorPa);
    }

    static double floorBar(double pascal) {
        return Math.floor(pascal / BAR) * BAR;
    }

    static double ceilBar(double pascal) {
        return Math.ceil(pascal / BAR) * BAR;
    }
}
