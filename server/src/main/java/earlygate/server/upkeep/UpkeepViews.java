package earlygate.server.upkeep;

import earlygate.explain.Reason;
import earlygate.server.api.Wire;
import earlygate.server.upkeep.UpkeepStore.Kept;
import earlygate.server.upkeep.UpkeepView.IndicatorView;
import earlygate.server.upkeep.UpkeepView.OilSampleView;
import earlygate.server.upkeep.UpkeepView.UpkeepEntryView;
import earlygate.server.upkeep.UpkeepView.UpkeepOilView;
import earlygate.server.upkeep.UpkeepView.UpkeepTaskView;
import earlygate.server.upkeep.Upkeeps.At;
import earlygate.server.words.Words;
import earlygate.unit.PowerUnit;
import earlygate.upkeep.Cleanliness;
import earlygate.upkeep.Due;
import earlygate.upkeep.Entry;
import earlygate.upkeep.Entry.Counter;
import earlygate.upkeep.Entry.Done;
import earlygate.upkeep.Entry.Indicator;
import earlygate.upkeep.Entry.Sample;
import earlygate.upkeep.Entry.Schedule;
import earlygate.upkeep.SampleCheck;
import earlygate.upkeep.School;
import earlygate.upkeep.Upkeep;
import earlygate.upkeep.Upkeep.Judged;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A machine's upkeep as screens show it. */
final class UpkeepViews {
    /** So many entries and samples are shown, the newest. */
    private static final int MOST = 60;

    private static final double MM2_S = 1e-6;

    private final At at;
    private final Words words;

    private UpkeepViews(At at, Words words) {
        this.at = at;
        this.words = words;
    }

    static UpkeepView of(At at, Words words) {
        return new UpkeepViews(at, words).view();
    }

    private UpkeepView view() {
        PowerUnit unit = at.unit();
        Upkeep upkeep = at.upkeep();
        Optional<Schedule> schedule = upkeep.schedule();
        List<UpkeepEntryView> entries =
                new ArrayList<>(at.kept().stream().map(this::entry).toList());
        Collections.reverse(entries);
        double viscosity = unit.fluid().viscosity40() / MM2_S;
        return new UpkeepView(
                unit.tag(),
                unit.name(),
                schedule.map(s -> s.school().key()).orElse(null),
                upkeep.due().stream().map(d -> task(d, schedule.orElseThrow())).toList(),
                upkeep.hours().isPresent() ? upkeep.hours().getAsDouble() : null,
                upkeep.hoursOn().orElse(null),
                upkeep.hoursPerDay().isPresent()
                        ? Wire.rounded(upkeep.hoursPerDay().getAsDouble(), 1)
                        : null,
                new UpkeepOilView(
                        target().map(Cleanliness::code).orElse(null),
                        SampleCheck.CERTAIN_CLASSES - 1,
                        SampleCheck.MOST_WATER_PPM,
                        Wire.figure(viscosity * (1 - SampleCheck.VISCOSITY_SPAN)),
                        Wire.figure(viscosity * (1 + SampleCheck.VISCOSITY_SPAN)),
                        newest(upkeep.samples()).stream().map(this::sample).toList()),
                UpkeepInput.filters(unit),
                newest(at.kept().stream()
                                .filter(k -> k.entry().body() instanceof Indicator)
                                .toList())
                        .stream()
                        .map(this::indicator)
                        .toList(),
                entries.subList(0, Math.min(MOST, entries.size())),
                entries.size() > MOST,
                at.unreadable().stream().map(words::say).toList());
    }

    private Optional<Cleanliness> target() {
        return Cleanliness.parse(at.unit().fluid().cleanlinessTarget());
    }

    private static <T> List<T> newest(List<T> all) {
        return all.subList(Math.max(0, all.size() - MOST), all.size());
    }

    private UpkeepTaskView task(Due d, Schedule schedule) {
        boolean byHours = schedule.school() == School.BY_HOURS && schedule.hours(d.task()) > 0;
        int days = schedule.days(d.task());
        return new UpkeepTaskView(
                d.task().key(),
                words.say(Upkeeps.named(d)),
                byHours || days == 0 ? null : days,
                byHours ? schedule.hours(d.task()) : null,
                d.last().orElse(null),
                d.on().orElse(null),
                d.state().key(),
                words.say(d.said()));
    }

    private OilSampleView sample(Judged j) {
        Sample s = j.sample();
        return new OilSampleView(
                at.kept().stream()
                        .filter(k -> k.entry() == j.entry())
                        .mapToLong(Kept::id)
                        .findFirst()
                        .orElse(0),
                j.entry().on(),
                j.entry().by(),
                s.cleanliness().map(Cleanliness::code).orElse(null),
                s.cleanliness().flatMap(c -> target().map(c::above)).orElse(null),
                boxed(s.waterPpm(), 1),
                boxed(s.viscosity40(), MM2_S),
                boxed(s.acid(), 1),
                j.check().grade().key(),
                j.check().said().stream().map(words::say).toList());
    }

    private static Double boxed(OptionalDouble value, double scale) {
        return value.isPresent() ? Wire.figure(value.getAsDouble() / scale) : null;
    }

    private IndicatorView indicator(Kept k) {
        Indicator i = (Indicator) k.entry().body();
        return new IndicatorView(
                k.id(),
                k.entry().on(),
                i.filter(),
                i.state().key(),
                Wire.celsius(i.oil()),
                i.oil() < at.unit().fluid().bandLow());
    }

    private UpkeepEntryView entry(Kept k) {
        Entry e = k.entry();
        return new UpkeepEntryView(k.id(), e.on(), e.by(), kind(e.body()), words.say(said(e.body())), k.at());
    }

    private static String kind(Entry.Body body) {
        return body.getClass().getSimpleName().toLowerCase(java.util.Locale.ROOT);
    }

    private static Reason said(Entry.Body body) {
        if (body instanceof Counter c) {
            return Reason.of("upkeep.entry.counter").number("hours", c.hours());
        }
        if (body instanceof Done d) {
            Reason done = Reason.of("upkeep.entry.done")
                    .said("task", Reason.of("upkeep.task." + d.task().key()));
            return d.note()
                    .map(n -> Reason.of("upkeep.entry.noted").said("done", done).name("note", n))
                    .orElse(done);
        }
        if (body instanceof Indicator i) {
            return Reason.of("upkeep.entry.indicator")
                    .name("filter", i.filter())
                    .said("state", Reason.of("upkeep.state." + i.state().key()))
                    .temperature("oil", i.oil());
        }
        if (body instanceof Schedule s) {
            return Reason.of("upkeep.entry.schedule")
                    .said("school", Reason.of("upkeep.school." + s.school().key()));
        }
        return Reason.of("upkeep.entry.sample");
    }
}
