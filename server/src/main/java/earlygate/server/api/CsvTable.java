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
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table that a person or a spreadsheet wrote: by comma, semicolon or tab, its columns named in any order, "as found" or
 * "As-Found".
 */
public final class CsvTable {
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
            cells.putIfAbsent(names.get(i), CsvText.unguarded(record.get(i).strip()));
        }
        return new Row(record.getRecordNumber(), cells);
    }
}
