package earlygate.server.api;

import static earlygate.quantity.Si.BAR;

import earlygate.target.GapSchool;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * A line's staff: what limits it, what works on it, what must not be passed. Pressures in bar.
 *
 * @param topBar end of the graduation
 * @param ceilings ratings, lowest first
 */
public record StaffView(
        String line, String name, double topBar, List<Ceiling> ceilings, List<Flag> flags, List<Gap> gaps) {
    public record Ceiling(String part, double bar) {}

    /**
     * @param kind relief, compensator or work
     * @param set brought to its target and locked
     */
    public record Flag(String id, String kind, String name, double bar, double toleranceBar, boolean set) {}

    /** @param neededBar what the gap school asks */
    public record Gap(String upper, String lower, double bar, double neededBar) {}

    public static List<StaffView> of(PowerUnit unit, GapSchool gaps, Predicate<String> isSet) {
        return unit.lines().stream()
                .map(line -> of(unit, line, gaps, isSet))
                .filter(s -> !s.flags().isEmpty())
                .toList();
    }

    private static StaffView of(PowerUnit unit, Line line, GapSchool gaps, Predicate<String> isSet) {
        PowerUnit.Rating weakest = unit.weakest(line.id());
        List<Flag> flags = new ArrayList<>();
        for (Setting s : unit.settings()) {
            if (s.line().equals(line.id())) {
                unit.target(s.id())
                        .ifPresent(t -> flags.add(new Flag(
                                s.id(),
                                s.kind().key(),
                                s.id(),
                                t.pressurePa() / BAR,
                                t.tolerancePa() / BAR,
                                isSet.test(s.id()))));
            }
        }
        unit.work().stream()
                .filter(w -> w.line().equals(line.id()))
                .forEach(w -> flags.add(new Flag(w.id(), "work", w.name(), w.pressurePa() / BAR, 0, false)));
        double highest = flags.stream().mapToDouble(Flag::bar).max().orElse(0);
        double top = Math.ceil(Math.max(weakest.pressurePa() / BAR, highest) * 1.04 / 10) * 10;
        Ceiling ceiling = new Ceiling(weakest.part(), weakest.pressurePa() / BAR);
        return new StaffView(line.id(), line.name(), top, List.of(ceiling), flags, gaps(unit, line, gaps));
    }

    private static List<Gap> gaps(PowerUnit unit, Line line, GapSchool school) {
        List<Gap> gaps = new ArrayList<>();
        for (ReliefValve r : unit.all(ReliefValve.class)) {
            for (Pump p : unit.pumpsInto(line.id())) {
                if (r.inlet().equals(line.id()) && p.compensator().isPresent()) {
                    unit.target(r.id())
                            .ifPresent(relief -> unit.target(p.compensatorId())
                                    .ifPresent(c -> gaps.add(gap(unit, line, school, relief, c))));
                }
            }
        }
        return gaps;
    }

    private static Gap gap(PowerUnit unit, Line line, GapSchool school, Target relief, Target compensator) {
        return new Gap(
                relief.setting(),
                compensator.setting(),
                (relief.pressurePa() - compensator.pressurePa()) / BAR,
                school.gap(unit, line.id(), compensator, relief) / BAR);
    }
}
