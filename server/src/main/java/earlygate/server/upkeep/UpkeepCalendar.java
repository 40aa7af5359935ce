package earlygate.server.upkeep;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;
import earlygate.upkeep.Due;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/**
 * Days on which something is due as iCalendar (RFC 5545), a whole day each; asked again, each task keeps its name. What is
 * overdue stands on today, for nobody looks at the days that are gone.
 */
final class UpkeepCalendar {
    private static final Words WORDS = Words.in(PressureUnit.BAR);

    private UpkeepCalendar() {}

    /** @param unreadable machines whose days can't be told, with the reason: it stands on today */
    static String write(Map<String, List<Due>> machines, Map<String, Reason> unreadable, LocalDate today) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Early Gate//Upkeep//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        machines.forEach((tag, due) ->
                due.stream().filter(d -> d.on().isPresent()).forEach(d -> calendar.add(event(tag, d, today))));
        unreadable.forEach((tag, why) -> calendar.add(event(tag, why, today)));
        return calendar.toString();
    }

    private static VEvent event(String tag, Reason why, LocalDate today) {
        VEvent event = new VEvent(today, tag + ": " + WORDS.say(Reason.of("upkeep.unreadable")));
        event.add(new Description(WORDS.say(why)));
        event.add(new Uid(tag + "-unreadable@early-gate"));
        return event;
    }

    private static VEvent event(String tag, Due due, LocalDate today) {
        LocalDate on = due.on().orElseThrow();
        VEvent event = new VEvent(on.isBefore(today) ? today : on, tag + ": " + WORDS.say(Upkeeps.named(due)));
        event.add(new Description(WORDS.say(due.said())));
        event.add(new Uid(tag + "-" + due.task().key() + "@early-gate"));
        return event;
    }
}
