package earlygate.server.history;

import earlygate.history.OlderRecord;
import earlygate.history.OlderRecord.Row;
import earlygate.history.SettingOnDay;
import earlygate.history.Wear.Measured;
import earlygate.run.CurveTaken;
import earlygate.run.RunRecord;
import earlygate.run.RunRecord.AsFound;
import earlygate.run.RunRecord.SettingRecord;
import earlygate.run.RunState;
import earlygate.server.history.HistoryView.CommissioningView;
import earlygate.server.journal.OpenRuns.OpenRun;
import earlygate.server.journal.RunStore.RunSummary;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.verify.Estimate;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One commissioning as the history needs it, whether it is a run or an older record.
 *
 * @param settings by setting; {@code pumps} what curves told of their efficiency
 */
record Commissioned(CommissioningView head, Map<String, Entry> settings, Map<String, Measured> pumps) {
    /** @param targetPa as it was asked for then; {@code reason} why it was left elsewhere */
    record Entry(SettingOnDay stood, OptionalDouble targetPa, OptionalDouble tolerancePa, Optional<String> reason) {}

    /** Nobody counts finer over a whole travel. */
    private static final double COUNTED_TURNS = 1 / 8.0;

    /** No curve is surer than this. */
    private static final double FINEST = 1e-4;

    static Commissioned of(RunSummary summary, OpenRun run, RunState state) {
        RunRecord record = RunRecord.of(state);
        LocalDate on =
                summary.startedAt().atZoneSameInstant(ZoneId.systemDefault()).toLocalDate();
        CommissioningView head = new CommissioningView(
                "run-" + summary.id(),
                "run",
                on,
                summary.technician(),
                null,
                summary.id(),
                null,
                summary.revision(),
                summary.outcome(),
                state.signatures().locked(),
                null,
                null,
                null,
                null);
        Map<String, Entry> settings = new LinkedHashMap<>();
        for (SettingRecord s : record.settings()) {
            settings.put(s.setting(), entry(on, run.unit(), s));
        }
        Map<String, Measured> pumps = new LinkedHashMap<>();
        state.plan().steps().stream()
                .flatMap(step -> CurveTaken.of(state, step).stream())
                .forEach(c -> c.efficiency().ifPresent(e -> pumps.put(c.curve().subject(), measured(on, e))));
        return new Commissioned(head, settings, pumps);
    }

    private static Measured measured(LocalDate on, Estimate e) {
        return new Measured(on, e.value(), Math.max(FINEST, e.half()));
    }

    private static Entry entry(LocalDate on, PowerUnit unit, SettingRecord s) {
        Setting setting = unit.setting(s.setting());
        double counted = s.asFoundFrom() == AsFound.BY_TURNS
                ? COUNTED_TURNS * setting.screw().paPerTurn()
                : 0;
        SettingOnDay stood = new SettingOnDay(
                on,
                s.asFoundFrom().known() ? OptionalDouble.of(s.asFoundPa()) : OptionalDouble.empty(),
                s.asLeftPa(),
                SettingOnDay.errorOf(unit, setting) + counted);
        return new Entry(
                stood,
                OptionalDouble.of(s.target().pressurePa()),
                OptionalDouble.of(s.target().tolerancePa()),
                s.deviation());
    }

    /** @param unit as the sheet is today: its gauges are taken where the record names no error */
    static Commissioned of(OlderRecords.Kept kept, PowerUnit unit) {
        OlderRecord r = kept.record();
        CommissioningView head = new CommissioningView(
                "older-" + kept.id(),
                r.source().key(),
                r.on(),
                r.by(),
                r.witness().orElse(null),
                null,
                kept.id(),
                null,
                null,
                false,
                r.hours().isPresent() ? r.hours().getAsDouble() : null,
                r.remark().orElse(null),
                kept.typedAt(),
                kept.typedBy());
        Map<String, Entry> settings = new LinkedHashMap<>();
        r.settings().forEach(row -> settings.put(row.setting(), entry(r.on(), row, unit)));
        Map<String, Measured> pumps = new LinkedHashMap<>();
        r.pumps().forEach(p -> pumps.put(p.pump(), new Measured(r.on(), p.efficiency(), Math.max(FINEST, p.half()))));
        return new Commissioned(head, settings, pumps);
    }

    private static Entry entry(LocalDate on, Row row, PowerUnit unit) {
        double error = row.errorPa()
                .orElseGet(() -> unit.settings().stream()
                        .filter(s -> s.id().equals(row.setting()))
                        .mapToDouble(s -> SettingOnDay.errorOf(unit, s))
                        .findFirst()
                        .orElse(0));
        return new Entry(
                new SettingOnDay(on, row.foundPa(), row.leftPa(), error),
                row.targetPa(),
                row.tolerancePa(),
                row.reason());
    }
}
