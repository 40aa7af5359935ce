package earlygate.server;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.rig.Rig;
import earlygate.rig.Roughness;
import earlygate.rig.Standing;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import tools.jackson.databind.JsonNode;

/** What a record certifies of a unit, held against the machine itself. */
public final class Certified {
    private Certified() {}

    /** Two pages say it all; the log comes after them. */
    static void twoPages(byte[] pdf, String tag) {
        try (var document = Loader.loadPDF(pdf)) {
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                PDFTextStripper stripper = new PDFTextStripper();
                stripper.setStartPage(page);
                stripper.setEndPage(page);
                if (stripper.getText(document).contains("No. Time By Step What")) {
                    assertThat(page)
                            .as("%s: the page on which the log begins", tag)
                            .isLessThanOrEqualTo(3);
                    return;
                }
            }
            throw new AssertionError("no log in the record of " + tag);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** A demo unit's record of a practice run: passed, and its screws stand where it says. */
    public static void onTheRig(Server server, long run) {
        JsonNode record = server.get("/api/runs/" + run + "/record").json();
        passed(record);
        PowerUnit unit = Units.demo(record.get("tag").asString());
        truly(unit, record, left(server, unit, run));
    }

    static void passed(JsonNode record) {
        String tag = record.get("tag").asString();
        accepted(record);
        assertThat(record.get("curves")).as(tag).hasSize(tag.equals("BP-11") ? 2 : tag.equals("PL-01") ? 0 : 1);
        record.get("curves").forEach(c -> curve(tag, c));
    }

    /** Every setting and every test passes. */
    static void accepted(JsonNode record) {
        String tag = record.get("tag").asString();
        assertThat(record.get("outcome").asString()).as(tag).isEqualTo("passed");
        assertThat(record.get("settings")).as(tag).isNotEmpty();
        for (JsonNode s : record.get("settings")) {
            assertThat(s.get("verdict").asString()).as("%s %s", tag, s).isEqualTo("pass");
            assertThat(s.get("oilC").isNumber()).as("oil at %s %s", tag, s).isTrue();
        }
        for (JsonNode t : record.get("tests")) {
            assertThat(t.get("verdict").asString()).as("%s %s", tag, t).isEqualTo("pass");
        }
    }

    /** The machines are new: each curve must find the efficiency, the override and the margin that their sheets have. */
    private static void curve(String tag, JsonNode curve) {
        assertThat(curve.get("verdict").asString()).as("%s %s", tag, curve).isIn("pass", "cannot-tell");
        JsonNode found = curve.at("/fit/parameters");
        assertThat(found.isObject()).as("%s %s", tag, curve.get("said")).isTrue();
        JsonNode eta = found.path("volumetricEfficiency");
        JsonNode override = found.path("override");
        if (eta.isObject()) {
            assertThat(eta.get("value").asDouble())
                    .as("%s %s", tag, curve)
                    .isCloseTo(eta.get("expected").asDouble(), within(0.03));
        } else if (override.isObject()) {
            assertThat(override.get("value").asDouble())
                    .as("%s %s", tag, curve)
                    .isCloseTo(override.get("expected").asDouble(), within(2.5));
        } else {
            JsonNode margin = found.get("margin");
            assertThat(margin.get("value").asDouble())
                    .as("%s %s", tag, curve)
                    .isCloseTo(margin.get("expected").asDouble(), within(2.0));
        }
    }

    /**
     * What was certified is so: the hidden screw stands within the tolerance, but for what the gauge's bias, the drag of
     * the nut and the percent within which a relief's own place is told from its crack can add.
     */
    static void truly(PowerUnit unit, JsonNode record, Rig rig) {
        for (JsonNode s : record.get("settings")) {
            String id = s.get("setting").asString();
            double target = s.get("targetBar").asDouble();
            double past = 0.01 * target;
            assertThat(rig.trueSetting(id) / BAR)
                    .as("%s %s, left at %s by the record", unit.tag(), id, s.get("asLeftBar"))
                    .isCloseTo(
                            expected(unit, id, target),
                            within(s.get("toleranceBar").asDouble() + past));
        }
    }

    /** Where every screw really stands, bar. */
    static Map<String, Double> standing(PowerUnit unit, Rig rig) {
        return unit.settings().stream().collect(Collectors.toMap(Setting::id, s -> rig.trueSetting(s.id()) / BAR));
    }

    /** @return how many settings the record says were read as found; each stood there, but for the gauge's own error */
    static int asItCame(PowerUnit unit, JsonNode record, Map<String, Double> came) {
        int read = 0;
        for (JsonNode s : record.get("settings")) {
            if (s.get("asFoundFrom").asString().startsWith("read")) {
                String id = s.get("setting").asString();
                assertThat(s.get("asFoundBar").asDouble())
                        .as("%s %s as found", unit.tag(), id)
                        .isCloseTo(came.get(id), within(s.get("toleranceBar").asDouble()));
                read++;
            }
        }
        return read;
    }

    /** A relief set at flow stands below its full-flow pressure by its override at the pump's flow. */
    private static double expected(PowerUnit unit, String id, double target) {
        if (unit.partOf(id) instanceof earlygate.unit.ReliefValve r
                && unit.target(id).orElseThrow().defined() == earlygate.unit.Target.Defined.FULL_FLOW) {
            List<Pump> own = unit.pumpsInto(r.inlet());
            // Behind a check valve or a hand valve: from the unit's pump.
            double flow = (own.isEmpty() ? unit.all(Pump.class) : own)
                    .stream()
                            .mapToDouble(p ->
                                    0.93 * p.displacement() * unit.driverOf(p).noLoadSpeed())
                            .sum();
            return target - (r.fullFlowPressure(0, flow)) / BAR;
        }
        return target;
    }

    /** The practice machine of a run as it was left: its screws where the live one has them. */
    static Rig left(Server server, PowerUnit unit, long run) {
        Rig rig = new Rig(unit, 7 * run, Roughness.WORKSHOP);
        JsonNode live = server.post("/api/runs/" + run + "/rig", Server.object().put("action", "pass"))
                .json()
                .get("live");
        Map<String, Standing.ScrewStanding> screws = new LinkedHashMap<>();
        live.get("screws")
                .properties()
                .forEach(s -> screws.put(
                        s.getKey(),
                        new Standing.ScrewStanding(s.getValue().get("turns").asDouble(), true, 0.0)));
        rig.restore(standing(rig, screws), false);
        return rig;
    }

    /** A machine at rest whose screws were left so; the rest as it stands. */
    static Standing standing(Rig rig, Map<String, Standing.ScrewStanding> screws) {
        Standing now = rig.standing();
        return new Standing(
                now.running(),
                now.openings(),
                now.positions(),
                screws,
                now.oil(),
                now.timeS(),
                null,
                null,
                null,
                null,
                null,
                null);
    }
}
