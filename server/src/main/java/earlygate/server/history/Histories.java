package earlygate.server.history;

import static earlygate.quantity.Si.BAR;

import earlygate.history.Drift;
import earlygate.history.Stood;
import earlygate.history.Wear;
import earlygate.history.Wear.Measured;
import earlygate.server.api.Input;
import earlygate.server.api.Wire;
import earlygate.server.history.Commissioned.Entry;
import earlygate.server.history.HistoryView.MeasuredView;
import earlygate.server.history.HistoryView.PumpHistoryView;
import earlygate.server.history.HistoryView.SettingHistoryView;
import earlygate.server.history.HistoryView.StoodView;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.RunStore;
import earlygate.server.units.UnitStore;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import earlygate.verify.CurveFit;
import earlygate.verify.Estimate;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** All commissionings of a unit side by side, and what they tell of its screws and pumps. */
@Component
class Histories {
    /** So many are shown and reckoned with, the newest; the answer doesn't grow with the years. */
    static final int MOST = 12;

    private final UnitStore units;
    private final RunStore runs;
    private final OpenRuns open;
    private final OlderRecords older;

    Histories(UnitStore units, RunStore runs, OpenRuns open, OlderRecords older) {
        this.units = units;
        this.runs = runs;
        this.open = open;
        this.older = older;
    }

    HistoryView of(String tag, Words words) {
        PowerUnit unit = Derivation.completed(
                Input.unitText(units.newest(tag).document()).unit(), GapSchool.DEFAULT);
        List<Commissioned> all = Stream.concat(
                        runs.finishedAtTheMachine(tag, MOST + 1).stream()
                                .map(s -> Commissioned.of(s, open.run(s.id()), open.state(s.id()))),
                        older.of(tag, MOST + 1).stream().map(k -> Commissioned.of(k, unit)))
                .sorted(Comparator.comparing((Commissioned c) -> c.head().on())
                        .thenComparing(
                                c -> c.head().run() == null ? 0 : c.head().run()))
                .toList();
        List<Commissioned> newest = all.subList(Math.max(0, all.size() - MOST), all.size());
        return new HistoryView(
                unit.tag(),
                unit.name(),
                unit.drawing().number(),
                newest.stream().map(Commissioned::head).toList(),
                newest.size() < all.size(),
                settings(unit, newest).stream()
                        .map(s -> setting(unit, s, newest, words))
                        .toList(),
                unit.components().stream()
                        .filter(Pump.class::isInstance)
                        .map(p -> pump((Pump) p, newest, words))
                        .toList());
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
        Optional<Target> target = unit.settings().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .flatMap(s -> unit.target(s.id()));
        List<Stood> stood = all.stream()
                .flatMap(c -> entry(c, id).stream())
                .map(Entry::stood)
                .toList();
        Optional<Drift> drift = target.map(t -> Drift.of(stood, t));
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

    private static Optional<Entry> entry(Commissioned c, String setting) {
        return Optional.ofNullable(c.settings().get(setting));
    }

    private static StoodView stood(Commissioned c, Entry e) {
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
        List<Measured> measured =
                all.stream().filter(taken).map(c -> c.pumps().get(pump.id())).toList();
        Wear wear = Wear.of(measured, pump.volumetricEfficiency());
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
