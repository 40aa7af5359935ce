package earlygate.server.api;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;

/**
 * A table that leaves the product. A spreadsheet takes a text that begins like a formula for one and runs it, whoever
 * wrote it: such a text has an apostrophe before it, which {@link CsvTable} takes off again.
 */
public final class CsvText {
    /** The wide forms too, which spreadsheets take for the same. */
    private static final Pattern FORMULA =
            Pattern.compile("(?s)\\s*[=+\\-@\\uFF1D\\uFF0B\\uFF0D\\uFF20].*|[\\t\\r\\n].*");

    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d+([.,]\\d+)?");
    private static final String GUARD = "'";

    private CsvText() {}

    /** @param rows of numbers and texts; null for an empty cell */
    public static String of(List<String> columns, Stream<List<?>> rows) {
        StringBuilder out = new StringBuilder();
        try (var printer = CSVFormat.DEFAULT
                .builder()
                .setHeader(columns.toArray(String[]::new))
                .setRecordSeparator("\r\n")
                .get()
                .print(out)) {
            for (List<?> row : (Iterable<List<?>>) rows::iterator) {
                printer.printRecord(row.stream().map(CsvText::cell));
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

    /** The text as it was before it was guarded. */
    static String unguarded(String text) {
        return text.startsWith(GUARD) && isFormula(text.substring(1)) ? text.substring(1) : text;
    }

    private static boolean isFormula(String text) {
        return FORMULA.matcher(text).matches() && !NUMBER.matcher(text).matches();
    }
}
