package earlygate.plan;

import earlygate.unit.PowerUnit;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a plan asks to be brought, and who must come.
 *
 * @param wrenches the adjusters that each is for
 * @param gear what is fitted for the job and taken off again
 * @param people at the most demanding step; {@code minutes} in all
 */
public record Bring(Map<String, Set<String>> wrenches, List<String> gear, int people, double minutes) {
    public static Bring of(PowerUnit unit, Plan plan) {
        Map<String, Set<String>> wrenches = new LinkedHashMap<>();
        Set<String> gear = new LinkedHashSet<>();
        for (Step s : plan.steps()) {
            s.setting()
                    .filter(id -> s.goal().isPresent() && !s.tool().isBlank())
                    .ifPresent(id -> wrenches.computeIfAbsent(s.tool(), t -> new LinkedHashSet<>())
                            .add(id));
        }
        plan.steps().stream()
                .map(Step::moves)
                .flatMap(Collection::stream)
                .filter(m ->
                        m.kind() == Move.Kind.FIT && unit.testGear().stream().anyMatch(g -> g.id().equals(m.id())))
                .forEach(m -> gear.add(m.id()));
        return new Bring(
                wrenches,
                List.copyOf(gear),
                plan.steps().stream().mapToInt(Step::people).max().orElse(1),
                plan.steps().stream().mapToDouble(Step::minutes).sum());
    }
}
