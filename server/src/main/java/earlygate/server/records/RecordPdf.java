package earlygate.server.records;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.plan.Phase;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.api.CurveView;
import earlygate.server.api.PlanView;
import earlygate.server.api.StaffView;
import earlygate.server.api.TestedView;
import earlygate.server.documents.CurveDrawing;
import earlygate.server.documents.ForeignSvg;
import earlygate.server.documents.Pdf;
import earlygate.server.documents.Row;
import earlygate.server.documents.StaffDrawing;
import earlygate.server.journal.SealedLog;
import earlygate.server.records.RecordView.SettingView;
import earlygate.server.records.RecordView.TestView;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Words;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;

/** What the record's template is told; its text is in {@code documents/record.html}. */
final class RecordPdf {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());
    private static final DateTimeFormatter LOGGED =
            DateTimeFormatter.ofPattern("d MMM HH:mm:ss", Locale.ENGLISH).withZone(ZoneId.systemDefault());
    private static final int STAFFS_IN_A_ROW = 3;

    private final PressureUnit pressure;
    private final Words words;

    private RecordPdf(PressureUnit pressure) {
        this.pressure = pressure;
        this.words = Words.in(pressure);
    }

    /** Of the page in points: what a circuit may take. */
    private static final double CIRCUIT_WIDTH = 500;

    private static final double CIRCUIT_HEIGHT = 230;

    /** @param circuit its drawing as the page has it; null where none was sent along */
    static byte[] of(RecordView record, SealedLog.Seal seal, PressureUnit pressure, String circuit) {
        RecordPdf pdf = new RecordPdf(pressure);
        return Pdf.of(
                "record",
                pdf.model(record)
                        .and("uuid", seal.uuid())
                        .and("entries", seal.entries())
                        .and("seal", seal.last())
                        .and(
                                "circuit",
                                circuit == null
                                        ? null
                                        : ForeignSvg.read(
                                                circuit, "Circuit of " + record.tag(), CIRCUIT_WIDTH, CIRCUIT_HEIGHT))
                        .map());
    }

    private Row model(RecordView r) {
        String verify = PlanView.title(Phase.Id.VERIFY, words);
        return Row.of("tag", r.tag())
                .and("run", r.run())
                .and("unitName", r.unitName())
                .and("drawing", r.drawing())
                .and("unitRevision", r.unitRevision())
                .and("technician", r.technician())
                .and("practice", r.practice())
                .and("startedAt", when(r.startedAt().toInstant()))
                .and("finishedAt", r.finishedAt() == null ? null : when(r.finishedAt()))
                .and("outcome", r.outcome())
                .and("settings", rows(r.settings(), this::setting))
                .and("staffRows", staffs(r))
                .and("curves", rows(r.curves(), this::curve))
                .and("verified", rows(r.verified(), this::verified))
                .and("readings", rows(tests(r, t -> t.phase().equals(verify)), this::test))
                .and("earlier", rows(tests(r, t -> !t.phase().equals(verify)), this::test))
                .and("deviations", rows(r.deviations(), this::deviation))
                .and("taken", rows(r.taken(), this::taken))
                .and(
                        "notes",
                        rows(
                                r.notes(),
                                n -> Row.of("label", n.label().isEmpty() ? null : n.label())
                                        .and("text", n.text())))
                .and(
                        "files",
                        rows(
                                r.files(),
                                f -> Row.of("name", f.name())
                                        .and("size", Math.round(Math.ceil(f.bytes() / 1000.0)) + " kB")
                                        .and("by", f.by() + ", " + when(f.at()))
                                        .and("hash", f.hash())))
                .and("revision", r.signed().revision())
                .and("technicianSigned", signature(r, "technician"))
                .and("witnessSigned", signature(r, "witness"))
                .and(
                        "amendments",
                        rows(
                                r.signed().amendments(),
                                a -> Row.of("revision", a.revision())
                                        .and("text", a.text())
                                        .and("by", a.by())
                                        .and("at", when(a.at()))))
                .and("log", rows(r.log(), this::logged));
    }

    private static List<TestView> tests(RecordView r, Predicate<TestView> which) {
        return r.tests().stream().filter(which).toList();
    }

    /** Name and time; null until it is signed. */
    private static String signature(RecordView r, String role) {
        return r.signed().names().stream()
                .filter(n -> n.role().equals(role))
                .map(n -> n.name() + ", " + when(n.at()))
                .findFirst()
                .orElse(null);
    }

    private Row setting(SettingView s) {
        return Row.of("name", Words.settingName(s.setting()))
                .and("asFound", show(s.asFoundBar()))
                .and("asFoundFrom", s.asFoundFrom())
                .and("asLeft", show(s.asLeftBar()))
                .and("crackFound", show(s.crackFoundBar()))
                .and("crackTapped", show(s.crackTappedBar()))
                .and("error", show(s.errorBar()))
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

    private List<List<Map<String, Object>>> staffs(RecordView r) {
        Map<String, Double> asLeft = new LinkedHashMap<>();
        r.settings().stream().filter(s -> s.asLeftBar() != null).forEach(s -> asLeft.put(s.setting(), s.asLeftBar()));
        List<List<Map<String, Object>>> staffRows = new ArrayList<>();
        List<StaffView> all = r.staffs();
        for (int i = 0; i < all.size(); i += STAFFS_IN_A_ROW) {
            staffRows.add(all.subList(i, Math.min(all.size(), i + STAFFS_IN_A_ROW)).stream()
                    .map(s -> StaffDrawing.of(s, pressure, asLeft))
                    .toList());
        }
        return staffRows;
    }

    static Reason title(CurveView c) {
        return Reason.of("curve.title-" + c.kind()).name("subject", c.subject());
    }

    private Row curve(CurveView c) {
        return Row.of("title", words.say(title(c)))
                .and("verdict", verdict(c.verdict()))
                .and("said", String.join(" ", c.said()))
                .and("drawing", c.points().isEmpty() ? null : CurveDrawing.of(c, pressure))
                .and(
                        "parameters",
                        CurveDrawing.parameters(c, pressure).stream()
                                .peek(p -> p.put("name", words.say(Reason.of("curve.found-" + p.get("key")))))
                                .toList());
    }

    private Row verified(TestedView t) {
        String graded = t.verdict() == null ? words.say(Reason.of("tested.open")) : verdict(t.verdict());
        return Row.of("name", t.name())
                .and("said", String.join(" ", t.said()))
                .and(
                        "verdict",
                        t.excused() ? words.say(Reason.of("tested.excused").name("verdict", graded)) : graded);
    }

    private Row test(TestView t) {
        return Row.of("phase", t.phase())
                .and("action", t.action())
                .and("instrument", t.instrument())
                .and("value", t.value())
                .and("low", t.low())
                .and("high", t.high())
                .and("unit", t.unit())
                .and("verdict", verdict(t.verdict()));
    }

    private Row deviation(DeviationView d) {
        return Row.of("action", d.action())
                .and("reason", d.reason())
                .and("at", when(d.at()))
                .and("standing", standing(d.standing()));
    }

    private Row taken(RecordView.TakenView t) {
        return Row.of("seq", t.seq())
                .and("at", LOGGED.format(t.at()))
                .and("step", t.step())
                .and("instrument", t.instrument())
                .and("value", t.value())
                .and("unit", t.unit())
                .and("source", t.source())
                .and("standing", standing(t.standing()));
    }

    private Row logged(LogView l) {
        return Row.of("seq", l.seq())
                .and("at", LOGGED.format(l.at()))
                .and("by", l.by())
                .and("step", l.step())
                .and("slip", l.slip())
                .and("text", l.text());
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
