package earlygate.target;

import earlygate.explain.Reason;
import earlygate.quantity.Si;
import earlygate.unit.Cylinder;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.Paths;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Targets where the schematic gives none: from what the work needs (as the sheet says, else force over area or torque
 * over displacement) and the gap school. Whole bars, rounded up. The schematic's own values are never touched.
 */
public final class Derivation {
    /** What a section relief, a cross-port relief or a limiter without a school stands above its work, Pa. */
    private static final double ABOVE_WORK = 14 * Si.BAR;

    /** A counterbalance valve opens at this many times the pressure that the load induces. */
    private static final double COUNTERBALANCE = 1.3;

    private final PowerUnit unit;
    private final Paths paths;
    private final GapSchool gaps;
    private final Map<String, Derived> found = new LinkedHashMap<>();

    /** A target and where it comes from. */
    public record Derived(Target target, Reason from) {}

    private Derivation(PowerUnit unit, GapSchool gaps) {
        this.unit = unit;
        this.paths = new Paths(unit);
        this.gaps = gaps;
    }

    /** The targets that can be derived, by setting; those that the schematic gives are left out. */
    public static Map<String, Derived> of(PowerUnit unit, GapSchool gaps) {
        Derivation d = new Derivation(unit, gaps);
        // Compensators before the reliefs that stand above them, branches and ports after their supply's work is known.
        unit.settings().stream().filter(s -> s.kind() != Setting.Kind.RELIEF).forEach(d::derive);
        unit.settings().stream().filter(s -> s.kind() == Setting.Kind.RELIEF).forEach(d::derive);
        return d.found;
    }

    /** The unit with every target that can be derived filled in. */
    public static PowerUnit completed(PowerUnit unit, GapSchool gaps) {
        List<Target> targets = new ArrayList<>(unit.targets());
        of(unit, gaps).values().forEach(d -> targets.add(d.target()));
        return unit.withTargets(targets);
    }

    private void derive(Setting s) {
        if (unit.target(s.id()).isPresent() || !s.isPressure()) {
            return;
        }
        switch (s.kind()) {
            case COMPENSATOR -> need(s.line()).ifPresent(n -> put(s, n + aboveWork(n), "compensator", n));
            case RELIEF -> relief(s);
            case REDUCING -> need(s.line()).ifPresent(n -> put(s, n + 5 * Si.BAR, "branch", n));
            case PORT_RELIEF -> need(s.line()).ifPresent(n -> put(s, n + ABOVE_WORK, "port", n));
            case UNLOADING -> unloading(s);
            case COUNTERBALANCE ->
                need(unit.setting(s.id()).line()).ifPresent(n -> put(s, COUNTERBALANCE * n, "counterbalance", n));
            default -> put(s, s.present(), "as-it-stands", s.present());
        }
    }

    private void relief(Setting s) {
        ReliefValve valve = (ReliefValve) unit.component(s.id());
        Optional<Target> below = unit.pumpsInto(s.line()).stream()
                .filter(p -> p.compensator().isPresent())
                .map(Pump::compensatorId)
                .flatMap(id -> target(id).stream())
                .findFirst()
                .or(() -> cutOut(s.line()));
        if (valve.role() == ReliefValve.Role.CROSS_PORT) {
            need(s.line()).ifPresent(n -> put(s, n + 1.5 * ABOVE_WORK, "cross-port", n));
        } else if (below.isPresent()) {
            Target lower = below.get();
            Target upper = new Target(s.id(), lower.pressurePa(), tolerance(lower.pressurePa()), defined(s));
            put(s, lower.pressurePa() + gaps.gap(unit, s.line(), lower, upper), "relief", lower.pressurePa());
        } else {
            need(s.line()).ifPresent(n -> put(s, n + aboveWork(n), "relief-alone", n));
        }
    }

    /** An accumulator's cut-out stands below its relief as a compensator does. */
    private Optional<Target> cutOut(String line) {
        return unit.all(UnloadingValve.class).stream()
                .filter(v -> v.differential().isPresent() && paths.tied(line).contains(v.pilot()))
                .flatMap(v -> target(v.id()).stream())
                .findFirst();
    }

    /** Differential: so high that cut-in is still above the work; plain: above work that needs the large pump. */
    private void unloading(Setting s) {
        UnloadingValve valve = (UnloadingValve) unit.component(s.id());
        if (valve.differential().isPresent()) {
            need(s.line()).ifPresent(n -> put(s, n / (1 - valve.differential().getAsDouble()), "cut-out", n));
            return;
        }
        double left = unit.pumpsInto(valve.pilot()).stream()
                .mapToDouble(p -> p.displacement() * unit.driverOf(p).noLoadSpeed())
                .sum();
        unit.work().stream()
                .filter(w -> w.line().equals(valve.pilot()) && w.flow() > left)
                .mapToDouble(w -> w.pressurePa())
                .max()
                .ifPresent(n -> put(s, n + ABOVE_WORK, "transfer", n));
    }

    private Optional<Target> target(String setting) {
        return unit.target(setting)
                .or(() -> Optional.ofNullable(found.get(setting)).map(Derived::target));
    }

    private double aboveWork(double needPa) {
        if (gaps instanceof GapSchool.Percent p) {
            return needPa * p.compensator() / 100;
        }
        return gaps instanceof GapSchool.Fixed f ? f.gapPa() : ABOVE_WORK;
    }

    private void put(Setting s, double pressurePa, String how, double fromPa) {
        double whole = Math.ceil(pressurePa / Si.BAR - 1e-6) * Si.BAR;
        double within = s.screw().clamp(whole);
        Reason from = Reason.of("target.derived." + how)
                .name("setting", s.id())
                .pressure("from", fromPa)
                .pressure("target", within)
                .pressure("least", ABOVE_WORK)
                .pressure("most", 2 * ABOVE_WORK);
        found.put(s.id(), new Derived(new Target(s.id(), within, tolerance(within), defined(s)), from));
    }

    private static double tolerance(double pressurePa) {
        return Target.DEFAULT_TOLERANCE * pressurePa;
    }

    private Target.Defined defined(Setting s) {
        boolean compensated =
                unit.pumpsInto(s.line()).stream().anyMatch(p -> p.compensator().isPresent());
        return s.kind() == Setting.Kind.RELIEF && !compensated ? Target.Defined.FULL_FLOW : Target.Defined.CRACKING;
    }

    /** Highest pressure that work on this line needs, Pa. */
    private OptionalDouble need(String line) {
        OptionalDouble said = unit.work().stream()
                .filter(w -> paths.tied(line).contains(w.line()))
                .mapToDouble(w -> w.pressurePa())
                .max();
        return said.isPresent() ? said : byEffort(line);
    }

    private OptionalDouble byEffort(String line) {
        OptionalDouble force = unit.all(Cylinder.class).stream()
                .filter(c -> c.cap().equals(line) || c.rod().equals(line))
                .mapToDouble(c -> c.cap().equals(line)
                        ? (c.force() + c.friction()) / c.capArea()
                        : (c.friction() - c.force()) / c.rodArea())
                .filter(p -> p > 0)
                .max();
        OptionalDouble torque = unit.all(HydraulicMotor.class).stream()
                .filter(m -> m.torque() > 0 && (m.a().equals(line) || m.b().equals(line)))
                .mapToDouble(m -> 2 * Math.PI * m.torque() / (m.displacement() * m.efficiency()))
                .max();
        return force.isPresent() ? force : torque;
    }
}
