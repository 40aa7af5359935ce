package earlygate.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ObjectNode;

/** A unit file while it is drawn. */
public final class Draft {
    private static final double[] GAUGES = {25, 40, 60, 100, 160, 250, 400, 600};

    private static final double ENOUGH = 1.3;
    private static final double MOST = 2.5;

    private final ObjectNode unit;
    private final List<String> assumed = new ArrayList<>();

    /** Gauges of the workshop that are not fitted yet. */
    private final List<SpareGauge> left;

    /** Draws on this very unit. */
    public Draft(ObjectNode unit) {
        this(unit, List.of());
    }

    /** @param gauges of the workshop, each of them there once */
    public Draft(ObjectNode unit, List<SpareGauge> gauges) {
        this.unit = unit;
        left = new ArrayList<>(gauges);
    }

    public Part fluid() {
        return new Part(unit.withObject("fluid"), "fluid", assumed);
    }

    private Part entry(String list, String id) {
        ObjectNode node = unit.withArray(list).addObject();
        return new Part(node, list + "." + id, assumed);
    }

    public void line(String id, String name, double rating, double volumeL) {
        entry("lines", id)
                .set("id", id)
                .set("name", name)
                .set("ratingBar", rating)
                .assume("volumeL", volumeL);
    }

    /** As weak as its pump, where nobody says that some part of it is weaker. */
    public void line(String id, String name, OptionalDouble rating, double pumps, double volumeL) {
        Part line = entry("lines", id).set("id", id).set("name", name);
        line.answered("ratingBar", rating, pumps).assume("volumeL", volumeL);
    }

    /** What is drawn already, to be drawn on. */
    Part on(String list, ObjectNode entry) {
        return new Part(entry, list + "." + Canvas.id(entry), assumed);
    }

    public Part part(String id, String type) {
        return entry("components", id).set("id", id).set("type", type);
    }

    /** @param tolerance empty for the usual one */
    public void target(String setting, double bar, OptionalDouble tolerance, String defined) {
        Part target = entry("targets", setting).set("setting", setting).set("pressureBar", bar);
        tolerance.ifPresent(t -> target.set("toleranceBar", t));
        if (!defined.isEmpty()) {
            target.set("defined", defined);
        }
    }

    /** A gauge that shows a third more than what comes on its line: of the workshop's where one fits, else as they are made. */
    public void gauge(String id, String line, OptionalDouble range, double top) {
        fineGauge(id, line, range, top, 0.6);
    }

    public void fineGauge(String id, String line, OptionalDouble range, double top, double accuracyClass) {
        SpareGauge dial = range.isPresent()
                ? new SpareGauge(range.getAsDouble(), accuracyClass, "bar")
                : ofTheWorkshop(top, accuracyClass).orElseGet(() -> new SpareGauge(made(top), accuracyClass, "bar"));
        left.remove(dial);
        Part gauge = entry("testPoints", id).set("id", id).set("line", line);
        gauge.answered("rangeBar", range, dial.rangeBar())
                .assume("class", dial.accuracyClass())
                .set("reads", dial.reads());
    }

    /** The smallest that shows enough, as fine as is asked, and not so large that its needle hardly moves. */
    private Optional<SpareGauge> ofTheWorkshop(double top, double accuracyClass) {
        return left.stream()
                .filter(g -> g.rangeBar() >= ENOUGH * top && g.rangeBar() <= MOST * top)
                .filter(g -> g.accuracyClass() <= accuracyClass)
                .min(Comparator.comparingDouble(SpareGauge::rangeBar).thenComparingDouble(SpareGauge::accuracyClass));
    }

    private static double made(double top) {
        double fits = GAUGES[GAUGES.length - 1];
        for (int i = GAUGES.length - 1; i >= 0 && GAUGES[i] >= ENOUGH * top; i--) {
            fits = GAUGES[i];
        }
        return fits;
    }

    public void work(String id, String name, String line, double bar, double lpm) {
        entry("work", id)
                .set("id", id)
                .set("name", name)
                .set("line", line)
                .set("pressureBar", bar)
                .set("flowLpm", lpm);
    }

    public ObjectNode unit() {
        return unit;
    }

    void assumed(String place) {
        assumed.add(place);
    }

    /** Places that hold a rule of thumb, as {@code components.RV1.overrideBar}. */
    public List<String> assumed() {
        return List.copyOf(assumed);
    }
}
