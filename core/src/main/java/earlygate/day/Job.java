package earlygate.day;

import earlygate.plan.Plan;
import earlygate.plan.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * One unit's work as the day sees it; minutes from its start.
 *
 * @param partner stretches in which a second person is needed
 * @param instruments names in the register, or the unit's own test points
 */
public record Job(String tag, int minutes, List<Stretch> partner, Set<String> instruments) {
    /** From and to, minutes; {@code to} excluded. */
    public record Stretch(int from, int to) {
        boolean meets(Stretch other) {
            return from < other.to && other.from < to;
        }

        Stretch at(int start) {
            return new Stretch(from + start, to + start);
        }
    }

    /** Steps one after the other; what needs two people becomes a stretch, near ones joined. */
    public static Job of(String tag, Plan plan, Set<String> instruments) {
        double at = 0;
        List<Stretch> partner = new ArrayList<>();
        for (Step s : plan.steps()) {
            if (s.people() > 1) {
                Stretch next = new Stretch((int) Math.floor(at), (int) Math.ceil(at + s.minutes()));
                Stretch last = partner.isEmpty() ? null : partner.get(partner.size() - 1);
                if (last != null && next.from() - last.to() <= NEAR) {
                    partner.set(partner.size() - 1, new Stretch(last.from(), next.to()));
                } else {
                    partner.add(next);
                }
            }
            at += s.minutes();
        }
        return new Job(tag, (int) Math.ceil(at), List.copyOf(partner), Set.copyOf(instruments));
    }

    /** A partner is not sent away for less, minutes. */
    private static final int NEAR = 10;
}
