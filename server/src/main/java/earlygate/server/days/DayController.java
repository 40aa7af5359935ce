package earlygate.server.days;

import earlygate.day.DaySheet;
import earlygate.day.Job;
import earlygate.explain.Reason;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.planner.Planner;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.instruments.InstrumentStore;
import earlygate.server.instruments.InstrumentStore.Instrument;
import earlygate.server.store.WallClock;
import earlygate.server.units.UnitStore;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Several units planned for one day, without instruments or the partner being wanted twice at a time. */
@RestController
@RequestMapping("/api/days")
class DayController {
    private static final int MOST_UNITS = 20;
    private static final int MOST_TECHNICIANS = 10;

    private final UnitStore units;
    private final InstrumentStore instruments;
    private final WallClock clock;

    DayController(UnitStore units, InstrumentStore instruments, WallClock clock) {
        this.units = units;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** @param date and {@code start}: today at 07:00 where left out; {@code technicians} 1 where left out */
    record DayRequest(LocalDate date, LocalTime start, Integer technicians, List<String> tags) {}

    record StretchView(LocalDateTime from, LocalDateTime to) {}

    record EntryView(
            String tag,
            String name,
            int technician,
            LocalDateTime start,
            LocalDateTime end,
            List<StretchView> partner,
            List<String> instruments) {}

    record LeftOut(String tag, String message) {}

    /** @param leftOut units without a safe plan, or whose sheet was changed in the data file, with the reason */
    record DayView(List<EntryView> entries, LocalDateTime done, List<LeftOut> leftOut) {}

    @PostMapping
    DayView day(@RequestBody DayRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        List<String> tags = request.tags() == null
                ? List.of()
                : request.tags().stream().filter(Objects::nonNull).distinct().toList();
        if (tags.isEmpty() || tags.size() > MOST_UNITS) {
            throw ApiProblem.badInput("tags", Reason.of("days.tags").number("limit", MOST_UNITS));
        }
        int technicians = request.technicians() == null ? 1 : request.technicians();
        if (technicians < 1 || technicians > MOST_TECHNICIANS) {
            throw ApiProblem.badInput(
                    "technicians",
                    Reason.of("situation.out-of-range")
                            .name("value", Integer.toString(technicians))
                            .number("min", 1)
                            .number("max", MOST_TECHNICIANS));
        }
        LocalDate date = request.date() == null ? clock.today() : request.date();
        LocalTime start = request.start() == null ? LocalTime.of(7, 0) : request.start();
        Map<String, String> names = new LinkedHashMap<>();
        List<Job> jobs = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        for (String tag : tags) {
            Optional<Reason> damaged = units.damaged(tag);
            if (damaged.isPresent()) {
                leftOut.add(new LeftOut(tag, Words.in(pressure).say(damaged.get())));
                continue;
            }
            PowerUnit unit = Derivation.completed(
                    Input.unitText(units.newest(tag).document()).unit(), GapSchool.DEFAULT);
            Plan plan = Planner.plan(unit, School.AUTO);
            names.put(tag, unit.name());
            if (plan.refused().isEmpty()) {
                jobs.add(Job.of(tag, plan, needed(unit)));
            } else {
                leftOut.add(new LeftOut(
                        tag, Words.in(pressure).say(plan.refused().get(0).message())));
            }
        }
        DaySheet sheet = DaySheet.of(jobs, technicians);
        LocalDateTime begins = date.atTime(start);
        return new DayView(
                sheet.entries().stream()
                        .map(e -> entry(e, names.get(e.job().tag()), begins))
                        .toList(),
                begins.plusMinutes(sheet.minutes()),
                leftOut);
    }

    /** The registered instruments of its test points; a test point without one has a gauge of its own. */
    private Set<String> needed(PowerUnit unit) {
        Map<String, Instrument> fitted = instruments.fitted(unit.tag());
        Set<String> needed = new LinkedHashSet<>();
        for (TestPoint t : unit.testPoints()) {
            Instrument i = fitted.get(t.id());
            needed.add(i == null ? unit.tag() + " " + t.id() : i.name());
        }
        return needed;
    }

    private static EntryView entry(DaySheet.Entry e, String name, LocalDateTime begins) {
        LocalDateTime start = begins.plusMinutes(e.start());
        return new EntryView(
                e.job().tag(),
                name,
                e.technician(),
                start,
                start.plusMinutes(e.job().minutes()),
                e.job().partner().stream()
                        .map(s -> new StretchView(start.plusMinutes(s.from()), start.plusMinutes(s.to())))
                        .toList(),
                e.job().instruments().stream().sorted().toList());
    }

    @PostMapping("/calendar")
    ResponseEntity<String> calendar(@RequestBody DayRequest request) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"day-sheet.ics\"")
                .contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .body(DayCalendar.write(day(request, PressureUnit.BAR)));
    }
}
