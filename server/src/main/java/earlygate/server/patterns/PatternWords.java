package earlygate.server.patterns;

import earlygate.explain.Reason;
import earlygate.pattern.Question;
import earlygate.quantity.TypedNumber;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Which sentence says a pattern, a question, or what is wrong with an answer. */
final class PatternWords {
    private static final Pattern SECTIONS = Pattern.compile("load-sense-(\\d)");
    private static final Pattern OF_SECTION = Pattern.compile("s(\\d)-(\\w+)");

    private PatternWords() {}

    static Reason title(String id) {
        return ofSections("pattern.title.", id);
    }

    static Reason tells(String id) {
        return ofSections("pattern.tells.", id);
    }

    private static Reason ofSections(String stem, String id) {
        Matcher m = SECTIONS.matcher(id);
        return m.matches()
                ? Reason.of(stem + "sectional").number("n", Integer.parseInt(m.group(1)))
                : Reason.of(stem + id);
    }

    static Reason question(String key) {
        return numbered("pattern.question.", key);
    }

    static Reason where(String key) {
        return numbered("pattern.where.", key);
    }

    private static Reason numbered(String stem, String key) {
        Matcher m = OF_SECTION.matcher(key);
        return m.matches()
                ? Reason.of(stem + "section-" + m.group(2)).number("n", Integer.parseInt(m.group(1)))
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
