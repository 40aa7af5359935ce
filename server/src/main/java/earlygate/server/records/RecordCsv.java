package earlygate.server.records;

import earlygate.run.RunRecord.AsFound;
import earlygate.server.records.RecordView.SettingView;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.commons.csv.CSVFormat;

/**
 * A record's acceptance table as CSV, pressures in bar. What nobody read or counted stands empty as found, so that the
 * table, put in as an older record, says no more than the record did.
 */
final class RecordCsv {
    private static final String[] COLUMNS = {
        "setting",
        "as found",
        "as found how",
        "as left",
        "target",
        "tolerance",
        "unit",
        "verdict",
        "instrument",
        "oil C",
        "read at",
        "reason"
    };

    private RecordCsv() {}

    static String of(RecordView record) {
        StringBuilder out = new StringBuilder();
        try (var printer = CSVFormat.DEFAULT
                .builder()
                .setHeader(COLUMNS)
                .setRecordSeparator("\r\n")
                .get()
                .print(out)) {
            for (SettingView s : record.settings()) {
                printer.printRecord(
                        s.setting(),
                        AsFound.known(s.asFoundHow()) ? s.asFoundBar() : "",
                        s.asFoundFrom(),
                        s.asLeftBar(),
                        s.targetBar(),
                        s.toleranceBar(),
                        "bar",
                        s.verdict(),
                        s.instrument(),
                        s.oilC(),
                        s.at(),
                        s.deviation());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }
}
