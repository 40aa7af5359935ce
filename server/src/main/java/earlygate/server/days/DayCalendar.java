package earlygate.server.days;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.days.DayController.DayView;
import earlygate.server.days.DayController.EntryView;
import earlygate.server.days.DayController.StretchView;
import earlygate.server.words.Words;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** A day sheet as iCalendar (RFC 5545), in local time: one event for each unit and one for each call on the partner. */
final class DayCalendar {
    private static final Words WORDS = Words.in(PressureUnit.BAR);

    private DayCalendar() {}

    static String write(DayView day) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Early Gate//Day sheet//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        for (EntryView e : day.entries()) {
            String what = WORDS.say(Reason.of("day.calendar")
                    .number("technician", e.technician())
                    .name("instruments", String.join(", ", e.instruments())));
            calendar.add(event(e.start(), e.end(), e.tag() + " " + e.name(), what, e.tag()));
            for (StretchView s : e.partner()) {
                calendar.add(event(
                        s.from(),
                        s.to(),
                        WORDS.say(Reason.of("day.partner").name("tag", e.tag())),
                        WORDS.say(Reason.of("day.second-person")),
                        e.tag() + "-partner"));
            }
        }
        return calendar.toString();
    }

    private static VEvent event(LocalDateTime from, LocalDateTime to, String summary, String what, String key) {
        VEvent event = new VEvent(from, to, summary);
        event.add(new Description(what));
        event.add(new Uid(key + "-" + from.toEpochSecond(ZoneOffset.UTC) + "@early-gate"));
        return event;
    }
}
