package earlygate.server.records;

import earlygate.run.RunRecord.AsFound;
import earlygate.server.api.CsvTable;
import earlygate.server.records.RecordView.SettingView;
import java.util.Arrays;
import java.util.List;

/**
 * A record's acceptance table as CSV, pressures in bar. What nobody read or counted stands empty as found, so that the
 * table, put in as an older record, says no more than the record did.
 */
final class RecordCsv {
    private static final List<String> COLUMNS = List.of(
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
            "reason");

    private RecordCsv() {}

    static String of(RecordView record) {
        return CsvTable.write(COLUMNS, record.settings().stream().map(RecordCsv::row));
    }

    private static List<?> row(SettingView s) {
        return Arrays.asList(
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
}
