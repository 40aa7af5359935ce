package earlygate.planner.search;

import earlygate.explain.Reason;
import java.util.Optional;

/** Reasons for refusing a plan that more than one part of the planner gives. */
public final class Refusals {
    private Refusals() {}

    /** @param holder who has the line instead; empty where nobody limits it */
    public static Reason hidden(String setting, String line, Optional<String> holder) {
        Reason never = Reason.of(holder.isPresent() ? "plan.refused.hidden" : "plan.refused.hidden-by-nobody")
                .name("setting", setting)
                .name("line", line);
        return holder.isPresent() ? never.name("holder", holder.get()) : never;
    }
}
