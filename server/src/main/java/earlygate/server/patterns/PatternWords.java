package earlygate.server.patterns;

import earlygate.explain.Reason;
import earlygate.pattern.Question;
import earlygate.quantity.TypedNumber;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Which sentence says a pattern, a question, or what is wrong with an answer. */
final class PatternWords {
    /** Of a sectional valve: how many sections it has, and which of them is asked for. */
    private static final Pattern SECTIONS = Pattern.compile("load-sense-(\\d)");

    private static final Pattern SECTION = Pattern.compile("s(\\d)-(\\w+)");

    private PatternWords() {}

    static Reason title(String id) {
        return said("pattern.title.", id);
    }

    static Reason tells(String id) {
        return said("pattern.tells.", id);
    }

    static Reason question(String key) {
        return said("pattern.question.", key);
    }

    static Reason where(String key) {
        return said("pattern.where.", key);
    }

    private static Reason said(String stem, String key) {
        Matcher all = SECTIONS.matcher(key);
        Matcher one = SECTION.matcher(key);
        if (all.matches()) {
            return Reason.of(stem + "sectional").number("n", Integer.parseInt(all.group(1)));
        }
        return one.matches()
                ? Reason.of(stem + "section-" + one.group(2)).number("n", Integer.parseInt(one.group(1)))
                : Reason.of(stem + key);
    }

    static Reason group(Question.Group group) {
        return Reason.of("pattern.group." + group.key());
    }

    static Reason refused(TypedNumber.Refused refused, Question q) {
        return Reason.of("pattern.wrong." + refused.code())
                .name("value", refused.typed())
                .number("limit", refused.limit())
                .name("unit", q.measure().units().get(0))
                .name("units", String.join(", ", q.measure().units()));
    }
}
