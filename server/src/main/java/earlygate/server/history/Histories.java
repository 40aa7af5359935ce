package earlygate.server.history;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.history.Drift;
import earlygate.history.SettingOnDay;
import earlygate.history.Wear;
import earlygate.history.Wear.Measured;
import earlygate.server.api.Input;
import earlygate.server.api.Wire;
import earlygate.server.history.HistoryView.MeasuredView;
import earlygate.server.history.HistoryView.PumpHistoryView;
import earlygate.server.history.HistoryView.SettingHistoryView;
import earlygate.server.history.HistoryView.StoodView;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.RunStore;
import earlygate.server.journal.RunStore.RunSummary;
import earlygate.server.journal.SealedLog;
import earlygate.server.units.UnitStore;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import earlygate.upkeep.Entry;
import earlygate.upkeep.Upkeep.Sign;
import earlygate.verify.CurveFit;
import earlygate.verify.Estimate;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** All commissionings of a unit side by side, and what they tell of its screws and pumps. */
@Component
public class Histories {
    /** So many are shown and reckoned with, the newest; the answer doesn't grow with the years. */
    static final int MOST = 12;

    private final UnitStore units;
    private final RunStore runs;
    private final OpenRuns open;
    private final OlderRecords older;
    private final SealedLog sealed;
    private final Map<Long, Known> known = new ConcurrentHashMap<>();

    /** What a run came to, as long as nothing is written behind its last seal. */
    private record Known(String seal, Commissioned run) {}

    Histories(UnitStore units, RunStore runs, OpenRuns open, OlderRecords older, SealedLog sealed) {
        this.sealed = sealed;
        this.units = units;
        this.runs = runs;
        this.open = open;
        this.older = older;
    }

    /**
     * What the years say of the time to come.
     *
     * @param checked the last commissioning; {@code signs} of another that is needed: a screw that creeps, a pump that
     *     wears; {@code counters} what the machine's counter stood at; {@code unreadable} what was changed in the data file
     *     and is not counted
     */
    public record Outlook(
            Optional<LocalDate> checked, List<Sign> signs, List<Entry> counters, List<Reason> unreadable) {}

    public Outlook outlook(String tag) {
        PowerUnit unit = unit(tag);
        Newest newest = newest(tag, unit);
        List<Commissioned> all = newest.shown();
        List<Sign> signs = new ArrayList<>();
        settings(unit, all)
                .forEach(id -> drift(unit, id, all)
                        .flatMap(Drift::leaves)
                        .ifPresent(on -> signs.add(
                                new Sign(on, Reason.of("upkeep.creeps").name("setting", id)))));
        unit.all(Pump.class)
                .forEach(p -> wear(p, all)
                        .worn()
                        .ifPresent(on ->
                                signs.add(new Sign(on, Reason.of("upkeep.wears").name("pump", p.id())))));
        return new Outlook(
                all.stream().map(c -> c.head().on()).max(Comparator.naturalOrder()),
                signs,
                all.stream()
                        .filter(c -> c.head().hours() != null)
                        .map(c -> new Entry(
                                c.head().on(),
                                c.head().by(),
                                new Entry.Counter(c.head().hours())))
                        .toList(),
                newest.unreadable());
    }

    private PowerUnit unit(String tag) {
        return Derivation.completed(
                Input.unitText(units.newestSound(tag).document()).unit(), GapSchool.DEFAULT);
    }

    /** @param more there are older ones; {@code unreadable} what is not among them because it was changed */
    private record Newest(List<Commissioned> shown, boolean more, List<Reason> unreadable) {}

    private Newest newest(String tag, PowerUnit unit) {
        OlderRecords.Put put = older.of(tag, MOST + 1);
        List<Reason> unreadable = new ArrayList<>(put.damaged());
        List<Commissioned> all = Stream.concat(
                        runs.finishedAtTheMachine(tag, MOST + 1).stream().flatMap(s -> run(s, unreadable).stream()),
                        put.kept().stream().map(k -> Commissioned.of(k, unit)))
                .sorted(Comparator.comparing((Commissioned c) -> c.head().on())
                        .thenComparing(
                                c -> c.head().run() == null ? 0 : c.head().run()))
                .toList();
        return new Newest(all.subList(Math.max(0, all.size() - MOST), all.size()), all.size() > MOST, unreadable);
    }

    private Optional<Commissioned> run(RunSummary s, List<Reason> unreadable) {
        try {
            return Optional.of(run(s));
        } catch (ApiProblem e) {
            unreadable.add(e.reason());
            return Optional.empty();
        }
    }

    private Commissioned run(RunSummary s) {
        String seal = sealed.seal(s.id()).last();
        return known.compute(
                        s.id(),
                        (id, k) -> k != null && k.seal().equals(seal)
                                ? k
                                : new Known(seal, Commissioned.of(s, open.run(id), open.state(id))))
                .run();
    }

    HistoryView of(String tag, Words words) {
        PowerUnit unit = unit(tag);
        Newest found = newest(tag, unit);
        List<Commissioned> newest = found.shown();
        return new HistoryView(
                unit.tag(),
                unit.name(),
                unit.drawing().number(),
                newest.stream().map(Commissioned::head).toList(),
                found.more(),
                settings(unit, newest).stream()
                        .map(s -> setting(unit, s, newest, words))
                        .toList(),
                unit.all(Pump.class).stream().map(p -> pump(p, newest, words)).toList(),
                found.unreadable().stream().map(words::say).toList());
    }

    /** Those of the sheet, and behind them those that only a record knows: the sheet had them once. */
    private static Set<String> settings(PowerUnit unit, List<Commissioned> all) {
        Set<String> ids = new LinkedHashSet<>();
        unit.settings().stream().filter(Setting::isPressure).map(Setting::id).forEach(ids::add);
        all.forEach(c -> c.settings().keySet().stream()
                .filter(id -> unit.settings().stream().noneMatch(s -> s.id().equals(id)))
                .forEach(ids::add));
        return ids;
    }

    private static SettingHistoryView setting(PowerUnit unit, String id, List<Commissioned> all, Words words) {
        Optional<Target> target = target(unit, id);
        Optional<Drift> drift = drift(unit, id, all);
        Optional<Estimate> rate = drift.flatMap(Drift::perYear);
        return new SettingHistoryView(
                id,
                target.map(t -> Wire.bar(t.pressurePa())).orElse(null),
                target.map(t -> Wire.bar(t.tolerancePa())).orElse(null),
                all.stream()
                        .map(c -> entry(c, id).map(e -> stood(c, e)).orElse(null))
                        .filter(Objects::nonNull)
                        .toList(),
                drift.map(d -> d.kind().key()).orElse(null),
                rate.map(e -> Wire.rounded(e.value() / BAR, 2)).orElse(null),
                rate.map(e -> Wire.rounded(e.half() / BAR, 2)).orElse(null),
                drift.flatMap(Drift::leaves).orElse(null),
                drift.map(d -> words.say(d.said())).orElse(""));
    }

    /** As the sheet asks for it today; empty for a setting that it has no longer. */
    private static Optional<Target> target(PowerUnit unit, String id) {
        return unit.settings().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .flatMap(s -> unit.target(s.id()));
    }

    private static Optional<Drift> drift(PowerUnit unit, String id, List<Commissioned> all) {
        List<SettingOnDay> stood = all.stream()
                .flatMap(c -> entry(c, id).stream())
                .map(Commissioned.Entry::stood)
                .toList();
        return target(unit, id).map(t -> Drift.of(stood, t));
    }

    private static Wear wear(Pump pump, List<Commissioned> all) {
        return Wear.of(
                all.stream()
                        .flatMap(c -> Optional.ofNullable(c.pumps().get(pump.id())).stream())
                        .toList(),
                pump.volumetricEfficiency());
    }

    private static Optional<Commissioned.Entry> entry(Commissioned c, String setting) {
        return Optional.ofNullable(c.settings().get(setting));
    }

    private static StoodView stood(Commissioned c, Commissioned.Entry e) {
        return new StoodView(
                c.head().key(),
                c.head().on(),
                bar(e.stood().foundPa()),
                bar(e.stood().leftPa()),
                bar(e.targetPa()),
                bar(e.tolerancePa()),
                Wire.bar(e.stood().errorPa()),
                e.reason().orElse(null));
    }

    private static Double bar(OptionalDouble pascal) {
        return pascal.isPresent() ? Wire.bar(pascal.getAsDouble()) : null;
    }

    private static PumpHistoryView pump(Pump pump, List<Commissioned> all, Words words) {
        Predicate<Commissioned> taken = c -> c.pumps().containsKey(pump.id());
        Wear wear = wear(pump, all);
        return new PumpHistoryView(
                pump.id(),
                pump.volumetricEfficiency(),
                Wire.rounded(CurveFit.wornBelow(pump.volumetricEfficiency()), 3),
                all.stream()
                        .filter(taken)
                        .map(c -> measured(c, c.pumps().get(pump.id())))
                        .toList(),
                wear.grade().map(g -> g.key()).orElse(null),
                wear.began().orElse(null),
                wear.perYear().map(e -> Wire.rounded(e.value(), 4)).orElse(null),
                wear.perYear().map(e -> Wire.rounded(e.half(), 4)).orElse(null),
                wear.worn().orElse(null),
                wear.said().stream().map(words::say).toList());
    }

    private static MeasuredView measured(Commissioned c, Measured m) {
        return new MeasuredView(c.head().key(), m.on(), Wire.rounded(m.efficiency(), 4), Wire.rounded(m.half(), 4));
    }
}
