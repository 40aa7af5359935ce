package earlygate.server.upkeep;

import earlygate.explain.Reason;
import earlygate.server.api.Input;
import earlygate.server.history.Histories;
import earlygate.server.history.Histories.Outlook;
import earlygate.server.store.WallClock;
import earlygate.server.units.UnitStore;
import earlygate.server.upkeep.UpkeepStore.Kept;
import earlygate.server.upkeep.UpkeepStore.Written;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.unit.PowerUnit;
import earlygate.upkeep.Due;
import earlygate.upkeep.Entry;
import earlygate.upkeep.Entry.Counter;
import earlygate.upkeep.Entry.Schedule;
import earlygate.upkeep.Task;
import earlygate.upkeep.Upkeep;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** What is due at each machine. */
@Component
public class Upkeeps {
    private final UnitStore units;
    private final UpkeepStore store;
    private final Histories histories;
    private final WallClock clock;

    Upkeeps(UnitStore units, UpkeepStore store, Histories histories, WallClock clock) {
        this.units = units;
        this.store = store;
        this.histories = histories;
        this.clock = clock;
    }

    /**
     * A machine, what was written of it, and what that comes to.
     *
     * @param unreadable what was changed in the data file and does not count
     */
    record At(PowerUnit unit, List<Kept> kept, List<Reason> unreadable, Upkeep upkeep) {}

    At of(String tag) {
        PowerUnit unit = Input.unitText(units.newestSound(tag).document()).unit();
        Written written = store.of(tag);
        List<Kept> kept = written.kept();
        Outlook outlook = histories.outlook(tag);
        List<Entry> entries = Stream.concat(
                        outlook.counters().stream(), kept.stream().map(Kept::entry))
                .toList();
        List<Reason> unreadable = Stream.concat(written.damaged().stream(), outlook.unreadable().stream())
                .toList();
        return new At(
                unit, kept, unreadable, Upkeep.of(unit, entries, outlook.checked(), outlook.signs(), clock.today()));
    }

    /** What is due today, said in a few words each; nothing for a unit whose upkeep was never begun. */
    public List<String> due(String tag, Words words) {
        if (!store.any(tag)) {
            return List.of();
        }
        try {
            At at = of(tag);
            // What can't be read is looked after first: its own page says what it is and why.
            Stream<Reason> first = at.unreadable().isEmpty() ? Stream.of() : Stream.of(Reason.of("upkeep.unreadable"));
            return Stream.concat(
                            first,
                            at.upkeep().due().stream()
                                    .filter(d -> d.state() == Due.State.DUE)
                                    .map(Upkeeps::named))
                    .map(words::say)
                    .toList();
        } catch (ApiProblem unreadable) {
            return List.of(words.say(Reason.of("upkeep.unreadable")));
        }
    }

    static Reason named(Due due) {
        return Reason.of("upkeep.task." + due.task().key());
    }

    /** A schedule leaves the intervals that it doesn't name as they were, those of the other school too. */
    Entry.Body asKept(String tag, Entry.Body body) {
        if (!(body instanceof Schedule now)) {
            return body;
        }
        return of(tag).upkeep()
                .schedule()
                .map(b -> new Schedule(now.school(), merged(b.days(), now.days()), merged(b.hours(), now.hours())))
                .orElse(now);
    }

    private static Map<Task, Integer> merged(Map<Task, Integer> before, Map<Task, Integer> now) {
        Map<Task, Integer> merged = new EnumMap<>(Task.class);
        merged.putAll(before);
        merged.putAll(now);
        return merged;
    }

    /** A counter only counts up. */
    void counts(String tag, Entry entry) {
        if (!(entry.body() instanceof Counter c)) {
            return;
        }
        Stream.concat(
                        histories.outlook(tag).counters().stream(),
                        store.of(tag).kept().stream().map(Kept::entry))
                .filter(e -> e.body() instanceof Counter)
                .filter(e -> e.on().isAfter(entry.on()) ? hours(e) < c.hours() : hours(e) > c.hours())
                .max(Comparator.comparing(Entry::on))
                .ifPresent(e -> {
                    throw ApiProblem.badInput(
                            "hours",
                            Reason.of("upkeep.counts-back")
                                    .number("given", c.hours())
                                    .number("other", hours(e))
                                    .name("on", e.on().toString()));
                });
    }

    private static double hours(Entry e) {
        return ((Counter) e.body()).hours();
    }
}
