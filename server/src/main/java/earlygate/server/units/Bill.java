package earlygate.server.units;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.TypedNumber;
import earlygate.server.api.Wire;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A bill of settings as a table: tag, setting, target, unit, tolerance. Every row has a fate; none is dropped. */
final class Bill {
    private static final List<String> COLUMNS = List.of("tag", "setting", "target", "unit", "tolerance");
    private static final List<String> NEEDED = List.of("setting", "target", "unit");
    private static final double LIMIT_BAR = 1000;
    /** Pa; less than this is the same target. */
    private static final double SAME = 1e3;

    private Bill() {}

    enum Fate implements Keyed {
        CHANGES,
        NEW,
        SAME,
        OTHER_UNIT,
        REFUSED
    }

    /**
     * @param line in the file, the header is 1
     * @param pressureBar 0 for a refused row
     * @param toleranceBar 0 where the row gives none
     * @param why empty for a row that is taken
     */
    record Row(
            long line,
            String setting,
            String asWritten,
            Fate fate,
            double pressureBar,
            double toleranceBar,
            Optional<Reason> why) {}

    record Preview(List<Row> rows, Optional<Reason> refused) {}

    static Preview read(PowerUnit unit, String text) {
        String csv = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (csv.isBlank()) {
            return refused(Reason.of("bill.empty"));
        }
        String header = csv.lines().findFirst().orElse("");
        char separator = header.indexOf(';') >= 0 ? ';' : header.indexOf('\t') >= 0 ? '\t' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setTrim(true)
                .setIgnoreEmptyLines(false)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(csv), format)) {
            List<CSVRecord> records = parser.getRecords();
            Map<String, Integer> columns = columns(records.get(0));
            List<String> absent =
                    NEEDED.stream().filter(c -> !columns.containsKey(c)).toList();
            if (!absent.isEmpty()) {
                return refused(Reason.of("bill.header")
                        .name("missing", String.join(", ", absent))
                        .name("found", header.strip())
                        .name("fits", String.join(", ", COLUMNS)));
            }
            Set<String> seen = new HashSet<>();
            List<Row> rows = new ArrayList<>();
            for (CSVRecord r : records.subList(1, records.size())) {
                // An empty line is no row, but it counts where a person counts lines.
                if (r.size() > 1 || !r.get(0).isBlank()) {
                    rows.add(new RowReader(unit, columns, r).row(seen));
                }
            }
            return new Preview(rows, Optional.empty());
        } catch (IOException | UncheckedIOException e) {
            return refused(Reason.of("bill.broken").name("detail", String.valueOf(e.getMessage())));
        }
    }

    private static Preview refused(Reason why) {
        return new Preview(List.of(), Optional.of(why));
    }

    private static Map<String, Integer> columns(CSVRecord header) {
        Map<String, Integer> columns = new LinkedHashMap<>();
        for (int i = 0; i < header.size(); i++) {
            columns.putIfAbsent(header.get(i).strip().toLowerCase(Locale.ROOT), i);
        }
        return columns;
    }

    private record RowReader(PowerUnit unit, Map<String, Integer> columns, CSVRecord record) {
        Row row(Set<String> seen) {
            String setting = cell("setting");
            if (!cell("tag").isEmpty() && !cell("tag").equalsIgnoreCase(unit.tag())) {
                return out(Fate.OTHER_UNIT, Reason.of("bill.other-unit").name("tag", cell("tag")));
            }
            Optional<Setting> known =
                    unit.settings().stream().filter(s -> s.id().equals(setting)).findFirst();
            if (known.isEmpty()) {
                List<String> all = unit.settings().stream().map(Setting::id).toList();
                return out(
                        Fate.REFUSED,
                        Reason.of("file.unknown-setting").name("id", setting).name("known", String.join(", ", all)));
            }
            if (!seen.add(setting)) {
                return out(Fate.REFUSED, Reason.of("bill.twice").name("setting", setting));
            }
            return numbers(setting);
        }

        private Row numbers(String setting) {
            PressureUnit reads;
            try {
                reads = PressureUnit.of(cell("unit"));
            } catch (IllegalArgumentException e) {
                return out(Fate.REFUSED, Reason.of("bill.unit").name("value", cell("unit")));
            }
            double limit = reads.fromPa(LIMIT_BAR * BAR);
            TypedNumber target = TypedNumber.parse(cell("target"), limit);
            TypedNumber tolerance = cell("tolerance").isEmpty()
                    ? new TypedNumber.Accepted(0)
                    : TypedNumber.parse(cell("tolerance"), limit);
            for (TypedNumber n : List.of(target, tolerance)) {
                if (n instanceof TypedNumber.Refused r) {
                    return out(
                            Fate.REFUSED,
                            Reason.of("typed." + r.code())
                                    .name("value", r.typed())
                                    .name("unit", reads.label())
                                    .name("instrument", setting)
                                    .number("limit", Math.round(r.limit())));
                }
            }
            double pa = reads.toPa(((TypedNumber.Accepted) target).value());
            double tol = reads.toPa(((TypedNumber.Accepted) tolerance).value());
            if (pa <= 0) {
                return out(Fate.REFUSED, Reason.of("bill.zero").name("setting", setting));
            }
            Optional<Target> present = unit.target(setting);
            boolean same = present.filter(t -> Math.abs(t.pressurePa() - pa) < SAME
                            && (tol == 0 || Math.abs(t.tolerancePa() - tol) < SAME))
                    .isPresent();
            Fate fate = present.isEmpty() ? Fate.NEW : same ? Fate.SAME : Fate.CHANGES;
            return new Row(line(), setting, written(), fate, pa / BAR, tol / BAR, Optional.empty());
        }

        private Row out(Fate fate, Reason why) {
            return new Row(line(), cell("setting"), written(), fate, 0, 0, Optional.of(why));
        }

        private long line() {
            return record.getRecordNumber();
        }

        private String written() {
            return (cell("target") + " " + cell("unit")).strip();
        }

        private String cell(String column) {
            Integer at = columns.get(column);
            return at == null || at >= record.size() ? "" : record.get(at).strip();
        }
    }

    static String write(PowerUnit unit) {
        StringBuilder out = new StringBuilder();
        try (var printer = CSVFormat.DEFAULT
                .builder()
                .setHeader(COLUMNS.toArray(String[]::new))
                .setRecordSeparator("\r\n")
                .get()
                .print(out)) {
            for (Target t : unit.targets()) {
                printer.printRecord(
                        unit.tag(),
                        t.setting(),
                        number(t.pressurePa()),
                        PressureUnit.BAR.label(),
                        number(t.tolerancePa()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String number(double pa) {
        double bar = Wire.rounded(pa / BAR, 2);
        return bar == Math.rint(bar) ? Long.toString((long) bar) : Double.toString(bar);
    }
}
