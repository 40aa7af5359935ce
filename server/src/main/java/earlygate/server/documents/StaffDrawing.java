package earlygate.server.documents;

import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.api.StaffView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** A line's staff for paper: where its graduation, ratings and flags stand, in points from the top. */
public final class StaffDrawing {
    private static final double TOP = 16;
    private static final double HEIGHT = 170;
    /** A flag's two lines of text. */
    private static final double FLAG = 21;

    private static final int MOST_TICKS = 12;

    private final StaffView staff;
    private final PressureUnit unit;

    private StaffDrawing(StaffView staff, PressureUnit unit) {
        this.staff = staff;
        this.unit = unit;
    }

    /** @param asLeft bar by setting, of those that were read locked */
    public static Map<String, Object> of(StaffView staff, PressureUnit unit, Map<String, Double> asLeft) {
        StaffDrawing d = new StaffDrawing(staff, unit);
        double rating = staff.ceilings().stream()
                .mapToDouble(StaffView.Ceiling::bar)
                .min()
                .orElse(staff.topBar());
        return Row.of("line", staff.line())
                .and("name", staff.name())
                .and("top", TOP)
                .and("height", HEIGHT)
                .and("bottom", TOP + HEIGHT)
                .and("ceiling", Math.max(0, d.y(rating) - TOP))
                .and("rating", d.show(rating))
                .and("ratingY", d.y(rating) + 3)
                .and("ticks", d.ticks())
                .and("flags", d.flags(asLeft))
                .map();
    }

    private double y(double bar) {
        return Math.round((TOP + HEIGHT * (1 - bar / staff.topBar())) * 10) / 10.0;
    }

    private String show(double bar) {
        return unit.show(bar * Si.BAR);
    }

    private List<Map<String, Object>> ticks() {
        double step = Ticks.step(unit.fromPa(staff.topBar() * Si.BAR), MOST_TICKS);
        List<Map<String, Object>> ticks = new ArrayList<>();
        for (int i = 1; unit.toPa(i * step) / Si.BAR < 0.98 * staff.topBar(); i++) {
            double bar = unit.toPa(i * step) / Si.BAR;
            ticks.add(Row.of("y", y(bar))
                    .and("textY", y(bar) + 2.6)
                    .and("label", Ticks.label(i * step))
                    .map());
        }
        return ticks;
    }

    /** Highest first; where two stand close, the lower one's words move down and a line leads to its place. */
    private List<Map<String, Object>> flags(Map<String, Double> asLeft) {
        List<Map<String, Object>> flags = new ArrayList<>();
        double free = TOP;
        for (StaffView.Flag f : staff.flags().stream()
                .sorted(Comparator.comparingDouble(StaffView.Flag::bar).reversed())
                .toList()) {
            double text = Math.max(free, y(f.bar()) - FLAG / 2 + 4);
            free = text + FLAG;
            Double left = asLeft.get(f.id());
            flags.add(Row.of("y", y(f.bar()))
                    .and("boxY", text - 8)
                    .and("nameY", text)
                    .and("valueY", text + 9)
                    .and("middle", text + 1)
                    .and("id", f.id())
                    .and("name", f.name())
                    .and("work", f.kind().equals("work"))
                    .and("set", f.set())
                    .and("target", show(f.bar()))
                    .and("left", left == null ? null : show(left))
                    .and("leftY", left == null ? null : y(left))
                    .map());
        }
        return flags;
    }
}
