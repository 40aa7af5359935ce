package earlygate.server.records;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.documents.Pdf;
import earlygate.server.documents.Row;
import earlygate.server.records.RecordView.SettingView;
import earlygate.server.words.Words;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

/** What the record's template is told; its text is in {@code documents/record.html}. */
final class RecordPdf {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final PressureUnit pressure;
    private final Words words;

    private RecordPdf(PressureUnit pressure) {
        this.pressure = pressure;
        this.words = Words.in(pressure);
    }

    static byte[] of(RecordView record, PressureUnit pressure) {
        return Pdf.of("record", new RecordPdf(pressure).model(record).map());
    }

    private Row model(RecordView r) {
        return Row.of("tag", r.tag())
                .and("unitName", r.unitName())
                .and("drawing", r.drawing())
                .and("unitRevision", r.unitRevision())
                .and("technician", r.technician())
                .and("practice", r.practice())
                .and("startedAt", when(r.startedAt().toInstant()))
                .and("finishedAt", r.finishedAt() == null ? null : when(r.finishedAt()))
                .and("outcome", r.outcome())
                .and("settings", rows(r.settings(), this::setting))
                .and(
                        "tests",
                        rows(
                                r.tests(),
                                t -> Row.of("phase", t.phase())
                                        .and("action", t.action())
                                        .and("instrument", t.instrument())
                                        .and("value", t.value())
                                        .and("low", t.low())
                                        .and("high", t.high())
                                        .and("unit", t.unit())
                                        .and("verdict", verdict(t.verdict()))))
                .and(
                        "deviations",
                        rows(
                                r.deviations(),
                                d -> Row.of("action", d.action())
                                        .and("reason", d.reason())
                                        .and("at", when(d.at()))
                                        .and("standing", standing(d.standing()))))
                .and(
                        "taken",
                        rows(
                                r.taken(),
                                t -> Row.of("seq", t.seq())
                                        .and("at", when(t.at()))
                                        .and("step", t.step())
                                        .and("instrument", t.instrument())
                                        .and("value", t.value())
                                        .and("unit", t.unit())
                                        .and("source", t.source())
                                        .and("standing", standing(t.standing()))))
                .and(
                        "notes",
                        rows(
                                r.notes(),
                                n -> Row.of("step", n.step())
                                        .and("label", n.label())
                                        .and("text", n.text())))
                .and(
                        "log",
                        rows(
                                r.log(),
                                l -> Row.of("seq", l.seq())
                                        .and("at", when(l.at()))
                                        .and("by", l.by())
                                        .and("step", l.step())
                                        .and("text", l.text())));
    }

    private Row setting(SettingView s) {
        return Row.of("name", Words.settingName(s.setting()))
                .and("asFound", show(s.asFoundBar()))
                .and("asFoundFrom", s.asFoundFrom())
                .and("asLeft", show(s.asLeftBar()))
                .and("crackFound", show(s.crackFoundBar()))
                .and("crackTapped", show(s.crackTappedBar()))
                .and("error", show(s.errorBar()))
                .and("why", s.why())
                .and("stands", show(s.standsBar()))
                .and("standsLow", show(s.standsLowBar()))
                .and("standsHigh", show(s.standsHighBar()))
                .and("attempts", s.attempts())
                .and("target", show(s.targetBar()))
                .and("tolerance", show(s.toleranceBar()))
                .and("defined", s.defined())
                .and("verdict", verdict(s.verdict()))
                .and("instrument", s.instrument())
                .and("oil", s.oilC() == null ? null : words.amount(new Amount(s.oilC() + ZERO_C, Kind.TEMPERATURE)))
                .and("at", s.at() == null ? null : when(s.at()));
    }

    private static <T> List<Map<String, Object>> rows(List<T> all, Function<T, Row> row) {
        return all.stream().map(t -> row.apply(t).map()).toList();
    }

    private String standing(String key) {
        return words.say(Reason.of("standing." + key));
    }

    private String verdict(String grade) {
        return grade == null ? null : words.say(Reason.of("grade." + grade));
    }

    private String show(Double bar) {
        return bar == null ? null : pressure.show(bar * Si.BAR);
    }

    private static String when(Instant at) {
        return TIME.format(at);
    }
}
