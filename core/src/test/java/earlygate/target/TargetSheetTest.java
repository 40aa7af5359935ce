package earlygate.target;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static earlygate.fixture.Units.target;
import static earlygate.fixture.Units.unit;
import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.target.TargetSheet.Entry;
import earlygate.target.TargetSheet.Read;
import earlygate.target.WorkingPoints.Kind;
import earlygate.unit.PowerUnit;
import earlygate.unit.Target;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What each gauge must read, derived from settings and work; figures by hand. */
class TargetSheetTest {
    /** Each setting of each demo unit on its own gauge: what that gauge must show, bar. */
    @ParameterizedTest
    @CsvSource({
        "LG-07, P1.compensator, G1, 160",
        "LG-07, RV1, G1, 176",
        "FB-02, RV1, G1, 160",
        "FB-02, UV1, G2, 140",
        "BP-11, RV1, GH, 185",
        "BP-11, UV1, GH, 65.2",
        "NH-04, P1.compensator, GP, 210",
        "NH-04, RV1, GP, 235",
        "NH-04, S1.reliefA, GA, 160",
        "NH-04, S1.reliefA, GP, 180",
        "NH-04, S1.reliefB, GP, 195",
        "NH-04, S2.reliefA, GC, 130",
        "SW-03, RV1, GP, 150",
        "SW-03, RX, GX, 113.9",
        "SW-03, RY, GY, 113.9",
        "SW-03, P1.compensator, GP, 134",
        "WD-05, RD1, G2, 59.8",
        "DR-09, P1.compensator, G1, 230",
        "PL-01, RV1, G1, 150"
    })
    void everyFittedGaugeSaysWhatItMustShow(String tag, String setting, String gauge, double bar) {
        Read read = on(demo(tag), setting, gauge, Map.of());
        assertThat(read.value() / BAR).isCloseTo(bar, within(3.2));
        assertThat(read.low()).isLessThan(read.value());
        assertThat(read.high()).isGreaterThan(read.value());
    }

    /** A section relief at the pump's test point: target plus the standby that this machine really has. */
    @Test
    void measuredStandbyShiftsWhatThePumpsGaugeReads() {
        PowerUnit unit = demo("NH-04");
        double drawn = on(unit, "S1.reliefB", "GP", Map.of()).value();
        double measured =
                on(unit, "S1.reliefB", "GP", Map.of("P1.loadSense", 23.5 * BAR)).value();
        assertThat(measured - drawn).isCloseTo(3.5 * BAR, within(0.1 * BAR));
    }

    /** A margin is read with oil flowing: two gauges, m - b x apart. */
    @Test
    void marginIsReadInMotionOnTwoGauges() {
        PowerUnit unit = demo("NH-04");
        Read pump = on(unit, "P1.loadSense", "GP", Map.of());
        Read signal = on(unit, "P1.loadSense", "GL", Map.of());
        assertThat((pump.value() - signal.value()) / BAR).isCloseTo(20 - 2 * 0.5, within(0.3));
        assertThat(pump.situation().openings().get("TV1")).isBetween(0.01, 1.0);
    }

    @Test
    void aSettingWithoutAGaugeSaysSo() {
        PowerUnit unit = unit(
                "WD-05",
                u -> earlygate.fixture.Units.without("testPoints", "G2").accept(u));
        Entry entry = entry(unit, "RD1", Map.of());
        assertThat(entry.reads()).isEmpty();
        assertThat(entry.trouble().orElseThrow().code()).isEqualTo("target.not-seen");
    }

    /** 142 bar of work: compensator a gap above, relief a gap above that; in percent, 10 and 20. */
    @Test
    void targetsAreDerivedFromTheWork() {
        PowerUnit bare = unit("LG-07", u -> u.remove("targets"));
        assertThat(derived(bare, GapSchool.DEFAULT, "P1.compensator")).isEqualTo(156);
        assertThat(derived(bare, GapSchool.DEFAULT, "RV1")).isEqualTo(170);
        assertThat(derived(bare, new GapSchool.Percent(10, 20), "P1.compensator"))
                .isEqualTo(157);
        assertThat(derived(bare, new GapSchool.Percent(10, 20), "RV1")).isEqualTo(171);
    }

    /** Force over area, torque over displacement, where the sheet says nothing of the work. */
    @Test
    void workIsDerivedFromForceAndTorque() {
        PowerUnit clamp = unit("WD-05", u -> {
            u.remove("targets");
            u.remove("work");
        });
        // 14 kN over 63 mm bore is 44.9 bar.
        assertThat(derived(clamp, GapSchool.DEFAULT, "RD1")).isEqualTo(50);
        PowerUnit slew = unit("SW-03", u -> {
            u.remove("targets");
            u.remove("work");
        });
        // 500 N·m over 400 cm3 at 0.9 is 87.3 bar; 21 above.
        assertThat(derived(slew, GapSchool.DEFAULT, "RX")).isEqualTo(109);
    }

    /** Every kind of setting has its way from the work to a target. */
    @ParameterizedTest
    @CsvSource({
        "FB-02, UV1, 118, target.derived.cut-out",
        "FB-02, RV1, 132, target.derived.relief",
        "BP-11, UV1, 56, target.derived.transfer",
        "WD-05, RD1, 53, target.derived.branch",
        "SW-03, RX, 109, target.derived.cross-port",
        "NH-04, S1.reliefA, 156, target.derived.port",
        "NH-04, P1.loadSense, 17, target.derived.as-it-stands"
    })
    void eachKindIsDerivedInItsWay(String tag, String setting, double bar, String from) {
        PowerUnit bare = unit(tag, u -> u.remove("targets"));
        Derivation.Derived d = Derivation.of(bare, GapSchool.DEFAULT).get(setting);
        assertThat(d.target().pressurePa() / BAR).isEqualTo(bar);
        assertThat(d.from().code()).isEqualTo(from);
        assertThat(d.target().tolerancePa()).isCloseTo(0.02 * d.target().pressurePa(), within(1.0));
    }

    @Test
    void whatCannotBeDerivedIsNamed() {
        PowerUnit bare = unit("PL-01", u -> {
            u.remove("targets");
            u.remove("work");
            u.set("components", u.get("components"));
            part(u, "components", "C1").remove("forceN");
        });
        assertThat(TargetSheet.of(bare, GapSchool.DEFAULT, Map.of()).missing()).containsExactly("RV1");
    }

    @Test
    void workingPointsOfTheLockGate() {
        var points = WorkingPoints.of(demo("LG-07"));
        assertThat(points)
                .extracting(WorkingPoints.Point::kind)
                .containsExactly(Kind.NO_LOAD, Kind.WORK, Kind.CUT_OFF, Kind.RELIEF);
        var work = points.get(1);
        assertThat(work.pressure() / BAR).isCloseTo(142, within(0.01));
        assertThat(work.flow()).isGreaterThan(work.asked());
        assertThat(work.drives().get(0).load()).isBetween(0.7, 1.0);
        assertThat(points.get(0).drives().get(0).current()).isBetween(13.1, 20.0);
        assertThat(points.get(2).flow() / LPM).isCloseTo(0.0, within(0.1));
    }

    @Test
    void workThatAsksForAValveFindsItsPosition() {
        var points = WorkingPoints.of(unit("SW-03", target("RX", 105)));
        var west = points.stream()
                .filter(p -> p.subject().equals("W2"))
                .findFirst()
                .orElseThrow();
        assertThat(west.situation().positions()).containsEntry("DV1", "west");
        assertThat(west.flow() / LPM).isGreaterThan(40);
    }

    private static double derived(PowerUnit unit, GapSchool gaps, String setting) {
        Target t = Derivation.of(unit, gaps).get(setting).target();
        return t.pressurePa() / BAR;
    }

    private static Entry entry(PowerUnit unit, String setting, Map<String, Double> measured) {
        return TargetSheet.of(unit, GapSchool.DEFAULT, measured).settings().stream()
                .filter(e -> e.target().setting().equals(setting))
                .findFirst()
                .orElseThrow();
    }

    private static Read on(PowerUnit unit, String setting, String gauge, Map<String, Double> measured) {
        return entry(unit, setting, measured).reads().stream()
                .filter(r -> r.testPoint().id().equals(gauge))
                .findFirst()
                .orElseThrow(() -> new AssertionError(setting + " is not seen on " + gauge));
    }
}
