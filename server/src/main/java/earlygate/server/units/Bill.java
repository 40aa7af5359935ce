package earlygate.server.units;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.TypedNumber;
import earlygate.server.api.CsvTable;
import earlygate.server.api.Wire;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

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
        CsvTable.Reading reading = CsvTable.read(text, COLUMNS, NEEDED);
        if (reading instanceof CsvTable.Reading.Refused refused) {
            return new Preview(List.of(), Optional.of(refused.why()));
        }
        Set<String> seen = new HashSet<>();
        return new Preview(
                ((CsvTable.Reading.Read) reading)
                        .rows().stream()
                                .map(r -> new RowReader(unit, r).row(seen))
                                .toList(),
                Optional.empty());
    }

    private record RowReader(PowerUnit unit, CsvTable.Row record) {
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
            return new Row(record.line(), setting, written(), fate, pa / BAR, tol / BAR, Optional.empty());
        }

        private Row out(Fate fate, Reason why) {
            return new Row(record.line(), cell("setting"), written(), fate, 0, 0, Optional.of(why));
        }

        private String written() {
            return (cell("target") + " " + cell("unit")).strip();
        }

        private String cell(String column) {
            return record.cell(column);
        }
    }

    static String write(PowerUnit unit) {
        return CsvTable.write(
                COLUMNS,
                unit.targets().stream()
                        .map(t -> List.of(
                                unit.tag(),
                                t.setting(),
                                number(t.pressurePa()),
                                PressureUnit.BAR.label(),
                                number(t.tolerancePa()))));
    }

    private static String number(double pa) {
        double bar = Wire.rounded(pa / BAR, 2);
        return bar == Math.rint(bar) ? Long.toString((long) bar) : Double.toString(bar);
    }
}
