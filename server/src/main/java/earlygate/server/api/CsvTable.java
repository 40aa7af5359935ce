package earlygate.server.api;

import earlygate.explain.Reason;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table as CSV. One that comes in was written by a person or a spreadsheet: by comma, semicolon or tab, its columns named
 * in any order, "as found" or "As-Found". In one that goes out a text that begins like a formula has an apostrophe before
 * it, for a spreadsheet would run it, whoever wrote it; where it comes in again the apostrophe is taken off.
 */
public final class CsvTable {
    /** What a spreadsheet takes for a formula, the wide signs too; and a text that is guarded already. */
    private static final Pattern FORMULA = Pattern.compile("(?s)[\\s']*[=+\\-@\\uFF1D\\uFF0B\\uFF0D\\uFF20].*");

    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d+([.,]\\d+)?");
    private static final String GUARD = "'";

    private CsvTable() {}

    /** Its rows, or why there are none. */
    public sealed interface Reading {
        /** @param ignored columns that are not understood, as the file names them */
        record Read(List<Row> rows, List<String> ignored) implements Reading {}

        record Refused(Reason why) implements Reading {}
    }

    /** @param line in the file, the header is 1 */
    public record Row(long line, Map<String, String> cells) {
        /** Stripped; empty where the row has none. */
        public String cell(String column) {
            return cells.getOrDefault(column, "");
        }
    }

    /** @param columns that are understood, {@code needed} those that must be there; both in lower case */
    public static Reading read(String text, List<String> columns, List<String> needed) {
        String csv = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (csv.isBlank()) {
            return new Reading.Refused(Reason.of("table.empty"));
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
            List<String> found = names(records.get(0));
            List<String> absent =
                    needed.stream().filter(c -> !found.contains(c)).toList();
            if (!absent.isEmpty()) {
                return new Reading.Refused(Reason.of("table.header")
                        .name("missing", String.join(", ", absent))
                        .name("found", header.strip())
                        .name("fits", String.join(", ", columns)));
            }
            List<Row> rows = new ArrayList<>();
            for (CSVRecord r : records.subList(1, records.size())) {
                // An empty line is no row, but it counts where a person counts lines.
                if (r.size() > 1 || !r.get(0).isBlank()) {
                    rows.add(row(found, r));
                }
            }
            return new Reading.Read(
                    rows, found.stream().filter(c -> !columns.contains(c)).toList());
        } catch (IOException | UncheckedIOException e) {
            return new Reading.Refused(Reason.of("table.broken").name("detail", String.valueOf(e.getMessage())));
        }
    }

    private static List<String> names(CSVRecord header) {
        return header.stream()
                .map(h -> h.strip().toLowerCase(Locale.ROOT).replaceAll("[-_ ]+", " "))
                .toList();
    }

    private static Row row(List<String> names, CSVRecord record) {
        Map<String, String> cells = new LinkedHashMap<>();
        for (int i = 0; i < Math.min(names.size(), record.size()); i++) {
            cells.putIfAbsent(names.get(i), unguarded(record.get(i).strip()));
        }
        return new Row(record.getRecordNumber(), cells);
    }

    /** @param rows of numbers and texts; null for an empty cell */
    public static String write(List<String> columns, Stream<List<?>> rows) {
        StringBuilder out = new StringBuilder();
        try (var printer = CSVFormat.DEFAULT
                .builder()
                .setHeader(columns.toArray(String[]::new))
                .setRecordSeparator("\r\n")
                .get()
                .print(out)) {
            for (List<?> row : (Iterable<List<?>>) rows::iterator) {
                printer.printRecord(row.stream().map(CsvTable::cell));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static Object cell(Object value) {
        return value == null || value instanceof Number ? value : guarded(value.toString());
    }

    private static String guarded(String text) {
        return isFormula(text) ? GUARD + text : text;
    }

    private static String unguarded(String text) {
        return text.startsWith(GUARD) && isFormula(text.substring(1))
                ? text.substring(1).strip()
                : text;
    }

    private static boolean isFormula(String text) {
        return FORMULA.matcher(text).matches() && !NUMBER.matcher(text).matches();
    }
}
