package earlygate.server.upkeep;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.Input;
import earlygate.server.store.OnceKey;
import earlygate.server.store.WallClock;
import earlygate.server.units.UnitStore;
import earlygate.server.upkeep.UpkeepInput.UpkeepRequest;
import earlygate.server.upkeep.UpkeepStore.NewEntry;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.upkeep.Due;
import earlygate.upkeep.Entry;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A machine's upkeep: what is due, what was done, oil and filters; and the days of it as a calendar. */
@RestController
@RequestMapping("/api")
class UpkeepController {
    private static final String CALENDAR = "text/calendar;charset=UTF-8";

    private final Upkeeps upkeeps;
    private final UpkeepStore store;
    private final UnitStore units;
    private final WallClock clock;

    UpkeepController(Upkeeps upkeeps, UpkeepStore store, UnitStore units, WallClock clock) {
        this.upkeeps = upkeeps;
        this.store = store;
        this.units = units;
        this.clock = clock;
    }

    @GetMapping("/units/{tag}/upkeep")
    UpkeepView upkeep(@PathVariable String tag, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        return UpkeepViews.of(upkeeps.of(tag), Words.in(pressure));
    }

    @PostMapping("/units/{tag}/upkeep")
    @ResponseStatus(HttpStatus.CREATED)
    UpkeepView add(
            @PathVariable String tag,
            @RequestBody UpkeepRequest request,
            @RequestHeader(name = OnceKey.HEADER, required = false) String key,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        units.known(tag);
        Entry entry = UpkeepInput.read(request, clock.today());
        upkeeps.counts(tag, entry);
        String body = UpkeepText.write(upkeeps.asKept(tag, entry.body()));
        store.addAll(List.of(new NewEntry(tag, entry.on(), entry.by(), body, key)));
        return upkeep(tag, pressure);
    }

    /** Takes an entry away; it is kept and can be brought back. */
    @DeleteMapping("/units/{tag}/upkeep/{id}")
    UpkeepView remove(
            @PathVariable String tag,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        store.remove(tag, id, Input.name("by", by));
        return upkeep(tag, pressure);
    }

    @PostMapping("/units/{tag}/upkeep/{id}/bring-back")
    UpkeepView bringBack(
            @PathVariable String tag,
            @PathVariable long id,
            @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        store.bringBack(tag, id);
        return upkeep(tag, pressure);
    }

    /** What is due at a machine, day by day, for any calendar that reads iCalendar. */
    @GetMapping(value = "/units/{tag}/upkeep.ics", produces = CALENDAR)
    String calendar(@PathVariable String tag) {
        return UpkeepCalendar.write(Map.of(tag, upkeeps.of(tag).upkeep().due()), Map.of(), clock.today());
    }

    /** The same of the whole workshop. */
    @GetMapping(value = "/upkeep.ics", produces = CALENDAR)
    String calendar() {
        Map<String, List<Due>> all = new LinkedHashMap<>();
        Map<String, Reason> unreadable = new LinkedHashMap<>();
        units.newest().stream()
                .filter(u -> u.head().missing() == 0 && store.any(u.tag()))
                .forEach(u -> {
                    try {
                        all.put(u.tag(), upkeeps.of(u.tag()).upkeep().due());
                    } catch (ApiProblem e) {
                        unreadable.put(u.tag(), e.reason());
                    }
                });
        return UpkeepCalendar.write(all, unreadable, clock.today());
    }
}
