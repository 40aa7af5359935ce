package earlygate.planner.search;

import earlygate.explain.Reason;
import earlygate.plan.SectionOrder;
import earlygate.unit.Paths;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReducingValve;
import earlygate.unit.ReliefValve;
import earlygate.unit.Section;
import earlygate.unit.SequenceValve;
import earlygate.unit.Setting;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;

/** The orders that circuit and trade ask for whatever the costs: supply before branch, main before cross-port, cut-off before margin. */
final class Recipe {
    private final PowerUnit unit;
    private final Paths paths;
    private final SectionOrder sections;

    Recipe(PowerUnit unit, SectionOrder sections) {
        this.unit = unit;
        this.paths = new Paths(unit);
        this.sections = sections;
    }

    /** What circuit and trade ask to stand before this one: supply before branch, cut-off before margin. */
    Set<String> before(Setting s) {
        Set<String> before = new LinkedHashSet<>();
        supplyOf(s)
                .ifPresent(line -> unit.settings().stream()
                        .filter(o -> onSupply(o, line))
                        .map(Setting::id)
                        .forEach(before::add));
        if (s.kind() == Setting.Kind.COMPENSATOR) {
            unit.all(ReliefValve.class).stream()
                    .filter(r -> r.role() == ReliefValve.Role.CROSS_PORT)
                    .filter(r -> paths.reached(s.line()).contains(r.inlet()))
                    .forEach(r -> before.add(r.id()));
        }
        if (isCrossPort(s)) {
            unit.all(ReliefValve.class).stream()
                    .filter(r -> r.role() == ReliefValve.Role.MAIN)
                    .filter(r -> paths.reached(r.inlet()).contains(s.line()))
                    .forEach(r -> before.add(r.id()));
        }
        if (s.kind() == Setting.Kind.LOAD_SENSE) {
            before.add(((Pump) unit.partOf(s.id())).compensatorId());
        }
        if (sections == SectionOrder.BRANCHES_FIRST && feedsSections(s)) {
            unit.settings().stream()
                    .filter(o -> o.kind() == Setting.Kind.PORT_RELIEF)
                    .map(Setting::id)
                    .forEach(before::add);
        }
        before.remove(s.id());
        before.removeIf(id -> unit.target(id).isEmpty());
        return before;
    }

    /** The trade's own order as it binds this setting; empty where only costs decide. */
    Optional<Reason> told(Setting s, Set<String> set) {
        Set<String> before = before(s);
        before.retainAll(set);
        if (before.isEmpty()) {
            return Optional.empty();
        }
        String code = s.kind() == Setting.Kind.LOAD_SENSE
                ? "order.margin-after-cut-off"
                : isCrossPort(s)
                        ? "order.cross-port-after-main"
                        : s.kind() == Setting.Kind.COMPENSATOR
                                ? "order.compensator-after-cross-ports"
                                : "order.after-supply";
        return Optional.of(Reason.of(code).name("setting", s.id()).names("others", before));
    }

    private boolean isCrossPort(Setting s) {
        return unit.partOf(s.id()) instanceof ReliefValve r && r.role() == ReliefValve.Role.CROSS_PORT;
    }

    private boolean feedsSections(Setting s) {
        return s.kind() == Setting.Kind.COMPENSATOR || s.kind() == Setting.Kind.RELIEF;
    }

    private Optional<String> supplyOf(Setting s) {
        Object part = unit.partOf(s.id());
        if (part instanceof ReducingValve r) {
            return Optional.of(r.inlet());
        }
        if (part instanceof SequenceValve v) {
            return Optional.of(v.inlet());
        }
        return part instanceof Section x && sections == SectionOrder.HIGHEST_FIRST
                ? Optional.of(x.supply())
                : Optional.empty();
    }

    private boolean onSupply(Setting s, String line) {
        boolean limits = s.kind() == Setting.Kind.COMPENSATOR
                || s.kind() == Setting.Kind.RELIEF
                || s.kind() == Setting.Kind.LOAD_SENSE
                || s.kind() == Setting.Kind.UNLOADING;
        return limits && paths.tied(line).contains(s.line());
    }
}
