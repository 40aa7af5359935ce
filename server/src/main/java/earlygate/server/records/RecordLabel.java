package earlygate.server.records;

import earlygate.explain.Reason;
import earlygate.plan.Note;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.documents.Pdf;
import earlygate.server.documents.QrDrawing;
import earlygate.server.documents.Row;
import earlygate.server.journal.SealedLog;
import earlygate.server.words.Words;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The label that stays on the machine, 90 by 54 mm: what it was set to, when, until when, and the way to the record. */
final class RecordLabel {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());
    private static final int IN_A_ROW = 2;
    /** Enough to tell one seal from another at a glance. */
    private static final int SHORT_SEAL = 8;

    private RecordLabel() {}

    /** @param address where the record is read */
    static byte[] of(RecordView r, SealedLog.Seal seal, String address, PressureUnit pressure) {
        Words words = Words.in(pressure);
        String nextCheck = words.say(Note.NEXT_CHECK.label());
        List<Map<String, Object>> settings = r.settings().stream()
                .map(s -> Row.of("name", Words.settingName(s.setting()))
                        .and("left", s.asLeftBar() == null ? null : pressure.show(s.asLeftBar() * Si.BAR))
                        .map())
                .toList();
        List<List<Map<String, Object>>> rows = new ArrayList<>();
        for (int i = 0; i < settings.size(); i += IN_A_ROW) {
            rows.add(settings.subList(i, Math.min(settings.size(), i + IN_A_ROW)));
        }
        return Pdf.of(
                "label",
                Row.of("tag", r.tag())
                        .and("unitName", r.unitName())
                        .and("run", r.run())
                        .and("loud", loud(r, words))
                        .and("rows", rows)
                        .and(
                                "date",
                                DAY.format(
                                        r.finishedAt() == null ? r.startedAt().toInstant() : r.finishedAt()))
                        .and("technician", r.technician())
                        .and(
                                "next",
                                r.notes().stream()
                                        .filter(n -> n.label().equals(nextCheck))
                                        .map(RecordView.WrittenView::text)
                                        .reduce((a, b) -> b)
                                        .orElse(null))
                        .and("seal", seal.last().substring(0, SHORT_SEAL))
                        .and("address", address)
                        .and("qr", QrDrawing.of(address))
                        .map());
    }

    /** What nobody may take for a finished machine. */
    private static String loud(RecordView r, Words words) {
        String code = r.practice() ? "practice" : r.outcome();
        return code.equals("passed") ? null : words.say(Reason.of("machine-label." + code));
    }
}
