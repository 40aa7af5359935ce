package earlygate.server.records;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.plan.Expect;
import earlygate.run.RunEvent;
import earlygate.run.RunRecord;
import earlygate.run.RunRecord.SettingRecord;
import earlygate.run.RunRecord.TestRecord;
import earlygate.run.RunState;
import earlygate.server.api.AttachedView;
import earlygate.server.api.CurveView;
import earlygate.server.api.NoteView;
import earlygate.server.api.PlanView;
import earlygate.server.api.Shown;
import earlygate.server.api.StaffView;
import earlygate.server.api.TestedView;
import earlygate.server.api.Wire;
import earlygate.server.instruments.InstrumentStore.Instrument;
import earlygate.server.journal.RunStore.RunHead;
import earlygate.server.runs.RunReadings;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Sentence;
import earlygate.server.words.Words;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a supervisor reads of a run. Pressures in bar whatever the screen shows; test readings in the instrument's own
 * unit.
 *
 * @param edition which fields it has and how its figures are computed: those before 2 had none
 * @param verified each test of the finished unit as a whole; {@code tests} every reading that was asked for
 * @param outcome passed, passed-with-deviations or unfinished
 */
public record RecordView(
        String format,
        int edition,
        long run,
        String tag,
        String unitName,
        String drawing,
        int unitRevision,
        String technician,
        boolean practice,
        OffsetDateTime startedAt,
        Instant finishedAt,
        String school,
        String outcome,
        List<SettingView> settings,
        List<TestedView> verified,
        List<TestView> tests,
        List<CurveView> curves,
        List<TakenView> taken,
        List<WrittenView> notes,
        List<DeviationView> deviations,
        List<StaffView> staffs,
        List<AttachedView> files,
        SignedView signed,
        List<LogView> log) {
    static final int EDITION = 5;
    /** From this edition on figures are computed as they are today. */
    static final int COMPUTED_SINCE = 4;

    /** The earliest edition of records that can tell of a run by a plan of this edition. */
    static int since(int plan) {
        return plan >= 9 ? 4 : plan >= 8 ? 3 : plan >= 7 ? 2 : 1;
    }

    /**
     * @param asLeftBar null until the locked reading is taken, as are the fields that come with it
     * @param asFoundHow read, by-turns, count-incomplete or from-sheet; {@code asFoundFrom} the same in words
     * @param errorBar as left less target; {@code why} the verdict in figures
     * @param standsBar where a relief stood itself when it had cracked, computed, with 95 % bounds; null where none did
     * @param attempts how often its setting and its locking were begun
     */
    public record SettingView(
            String setting,
            double targetBar,
            double toleranceBar,
            @Sentence String defined,
            double asFoundBar,
            String asFoundHow,
            @Sentence String asFoundFrom,
            Double asLeftBar,
            String verdict,
            @Sentence String instrument,
            Double oilC,
            Instant at,
            String deviation,
            Double crackFoundBar,
            Double crackTappedBar,
            Double errorBar,
            @Sentence String why,
            Double standsBar,
            Double standsLowBar,
            Double standsHighBar,
            int attempts) {}

    /** Every reading ever taken, in its instrument's own unit; {@code standing} counts, earlier attempt or slip. */
    public record TakenView(
            long seq,
            Instant at,
            String step,
            String instrument,
            double value,
            String unit,
            String source,
            String standing) {}

    /** @param noted as it was typed, or the code of what was chosen; {@code text} the same in words */
    public record WrittenView(
            String step,
            @Sentence String label,
            String noted,
            @Sentence String text,
            Instant at) {}

    public record TestView(
            String step,
            @Sentence String phase,
            @Sentence String action,
            String instrument,
            double value,
            double low,
            double high,
            String unit,
            String verdict,
            Instant at,
            String deviation) {}

    /** @param fitted instruments of the register by test point; a reading on one whose calibration ran out is flagged */
    static RecordView of(
            RunHead head, PowerUnit unit, GapSchool gaps, RunState state, Map<String, Instrument> fitted, Words words) {
        RunRecord record = RunRecord.of(state);
        List<LogView> log = RunReadings.log(state, words);
        boolean finished = record.finished();
        return new RecordView(
                "early-gate/record/1",
                EDITION,
                head.id(),
                unit.tag(),
                unit.name(),
                (unit.drawing().number() + " " + unit.drawing().revision()).strip(),
                head.revision(),
                head.technician(),
                head.practice(),
                head.startedAt(),
                finished ? SignedView.finishedAt(state) : null,
                head.plan().school().key(),
                !finished ? "unfinished" : record.passed() ? "passed" : "passed-with-deviations",
                record.settings().stream()
                        .map(s -> setting(unit, s, fitted, words))
                        .toList(),
                TestedView.of(state, words),
                record.tests().stream().map(t -> test(unit, t, words)).toList(),
                state.plan().steps().stream()
                        .flatMap(x -> CurveView.of(state, x, words).stream())
                        .toList(),
                record.taken().stream().map(t -> taken(unit, t, words)).toList(),
                record.notes().stream()
                        .map(n -> new WrittenView(
                                n.step().id(),
                                label(n, words),
                                n.note().text(),
                                NoteView.text(n.note().note(), n.note().text(), words),
                                n.at()))
                        .toList(),
                DeviationView.all(state, words),
                StaffView.of(
                        unit,
                        gaps,
                        id -> record.settings().stream()
                                .anyMatch(s ->
                                        s.setting().equals(id) && s.asLeftPa().isPresent())),
                AttachedView.of(state),
                SignedView.of(state),
                log);
    }

    private static SettingView setting(PowerUnit unit, SettingRecord s, Map<String, Instrument> fitted, Words words) {
        return new SettingView(
                s.setting(),
                Wire.bar(s.target().pressurePa()),
                Wire.bar(s.target().tolerancePa()),
                defined(unit, s, words),
                Wire.bar(s.asFoundPa()),
                s.asFoundFrom().key(),
                words.say(Reason.of("as-found." + s.asFoundFrom().key())),
                s.asLeftPa().isPresent() ? Wire.bar(s.asLeftPa().getAsDouble()) : null,
                s.verdict().map(RunReadings::grade).orElse(null),
                s.instruments().stream()
                        .flatMap(id -> unit.findTestPoint(id).stream())
                        .map(t -> instrument(t, fitted.get(t.id()), s.at(), words))
                        .reduce((upper, lower) -> words.say(
                                Reason.of("record.less").name("upper", upper).name("lower", lower)))
                        .orElse(""),
                s.oil().isPresent() ? Wire.celsius(s.oil().getAsDouble()) : null,
                s.at().orElse(null),
                s.deviation().orElse(null),
                s.crackFoundPa().map(Wire::bar).orElse(null),
                s.crackTappedPa().map(Wire::bar).orElse(null),
                s.errorPa().isPresent() ? Wire.bar(s.errorPa().getAsDouble()) : null,
                s.why().map(words::say).orElse(null),
                s.stands().map(p -> Wire.bar(p.settingPa())).orElse(null),
                s.stands().map(p -> Wire.bar(p.low())).orElse(null),
                s.stands().map(p -> Wire.bar(p.high())).orElse(null),
                s.attempts());
    }

    private static TakenView taken(PowerUnit unit, RunRecord.Taken t, Words words) {
        Shown shown = new Shown(unit, words.chosen());
        RunEvent.OfStep body = (RunEvent.OfStep) t.event().body();
        String instrument = body instanceof RunEvent.Reading r ? r.instrument() : "";
        Value.Kind kind = instrument.equals(Expect.OIL)
                ? Value.Kind.TEMPERATURE
                : instrument.isEmpty()
                        ? Value.Kind.PRESSURE
                        : unit.shows(instrument).orElse(Value.Kind.CURRENT);
        RunEvent.Source source = body instanceof RunEvent.Reading r ? r.source() : ((RunEvent.Cracked) body).source();
        double value = RunRecord.value(t.event());
        return new TakenView(
                t.event().seq(),
                t.event().at(),
                body.step(),
                instrument.isEmpty() ? "crack" : instrument,
                instrument.isEmpty() ? Wire.bar(value) : shown.value(instrument, kind, value),
                instrument.isEmpty() ? "bar" : shown.label(instrument, kind),
                source.key(),
                t.slip() ? "slip" : t.counts() ? "counts" : "earlier");
    }

    private static String label(RunRecord.NoteRecord n, Words words) {
        return n.step().notes().stream()
                .filter(x -> x.code().equals(n.note().note()))
                .findFirst()
                .map(words::say)
                .orElse("");
    }

    /** What the target is a pressure of. */
    private static String defined(PowerUnit unit, SettingRecord s, Words words) {
        String of = switch (unit.setting(s.setting()).kind()) {
            case COMPENSATOR -> "cut-off";
            case LOAD_SENSE -> "margin";
            case RELIEF -> s.target().defined().key();
            case UNLOADING -> "unloads";
            case REDUCING -> "branch";
            default -> "limit";
        };
        return words.say(Reason.of("defined." + of));
    }

    private static String instrument(TestPoint t, Instrument fitted, Optional<Instant> at, Words words) {
        String gauge = words.say(Reason.of("record.gauge")
                .name("gauge", t.id())
                .name("range", t.reads().show(t.rangePa()))
                .name("class", Double.toString(t.accuracyClass())));
        if (fitted != null && fitted.damaged()) {
            return gauge + ", " + fitted.name() + " ▲ "
                    + words.say(Reason.of("instruments.damaged").name("name", fitted.name()));
        }
        if (fitted == null || fitted.calibrationDue() == null || at.isEmpty()) {
            return fitted == null ? gauge : gauge + ", " + fitted.name();
        }
        LocalDate read = at.get().atZone(ZoneId.systemDefault()).toLocalDate();
        String named = gauge + ", " + fitted.name();
        return read.isAfter(fitted.calibrationDue())
                ? named + " ▲ "
                        + words.say(Reason.of("instruments.expired")
                                .name("name", fitted.name())
                                .name("due", fitted.calibrationDue().toString()))
                : named;
    }

    private static TestView test(PowerUnit unit, TestRecord t, Words words) {
        Shown shown = new Shown(unit, words.chosen());
        var e = t.expect();
        return new TestView(
                t.step().id(),
                PlanView.title(t.phase(), words),
                words.say(t.step().action()),
                e.instrument(),
                shown.value(e.instrument(), e.kind(), RunRecord.value(t.reading())),
                shown.value(e.instrument(), e.kind(), e.low()),
                shown.value(e.instrument(), e.kind(), e.high()),
                shown.label(e.instrument(), e.kind()),
                RunReadings.grade(t.grade()),
                t.reading().at(),
                t.deviation().map(RunRecord::said).orElse(null));
    }
}
