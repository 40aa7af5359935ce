package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;

import earlygate.server.api.Wire;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.target.TargetSheet;
import earlygate.target.WorkingPoints;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import earlygate.unit.file.SituationWriter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** The target sheet in the units of its instruments. */
record TargetsView(List<SettingTarget> settings, List<String> missing, List<PointView> points) {
    /** @param from where a derived target comes from, {@code trouble} why no instrument shows it; else empty */
    record SettingTarget(
            String setting,
            double pressureBar,
            double toleranceBar,
            String defined,
            boolean derived,
            String from,
            List<ReadView> reads,
            String trouble) {}

    /** @param value in the instrument's own unit, as are low and high */
    record ReadView(
            String testPoint,
            double value,
            double low,
            double high,
            String reads,
            List<String> raised,
            @Schema(implementation = Object.class) JsonNode situation) {}

    /** @param askedLpm 0 where the sheet asks no flow */
    record PointView(
            String kind,
            String subject,
            String line,
            double pressureBar,
            double flowLpm,
            double askedLpm,
            List<DriveView> drives) {}

    record DriveView(String driver, double speedRpm, double powerKw, double currentA, double load) {}

    static TargetsView of(PowerUnit unit, GapSchool gaps, Map<String, Double> measured, Words words) {
        TargetSheet sheet = TargetSheet.of(unit, gaps, measured);
        return new TargetsView(
                sheet.settings().stream().map(e -> entry(unit, e, words)).toList(),
                sheet.missing(),
                WorkingPoints.of(Derivation.completed(unit, gaps)).stream()
                        .map(TargetsView::point)
                        .toList());
    }

    private static SettingTarget entry(PowerUnit unit, TargetSheet.Entry e, Words words) {
        return new SettingTarget(
                e.target().setting(),
                Wire.rounded(e.target().pressurePa() / BAR, 2),
                Wire.rounded(e.target().tolerancePa() / BAR, 2),
                e.target().defined().key(),
                e.derived(),
                e.from().map(words::say).orElse(""),
                e.reads().stream().map(r -> read(unit, r)).toList(),
                e.trouble().map(words::say).orElse(""));
    }

    private static ReadView read(PowerUnit unit, TargetSheet.Read r) {
        TestPoint t = r.testPoint();
        return new ReadView(
                t.id(),
                Wire.rounded(t.reads().fromPa(r.value()), 2),
                Wire.rounded(t.reads().fromPa(r.low()), 2),
                Wire.rounded(t.reads().fromPa(r.high()), 2),
                t.reads().label(),
                r.raised(),
                SituationWriter.write(unit, r.situation()));
    }

    private static PointView point(WorkingPoints.Point p) {
        return new PointView(
                p.kind().key(),
                p.subject(),
                p.line(),
                Wire.rounded(p.pressure() / BAR, 2),
                Wire.rounded(p.flow() / LPM, 2),
                Wire.rounded(p.asked() / LPM, 2),
                p.drives().stream()
                        .map(d -> new DriveView(
                                d.driver(),
                                Wire.rounded(d.speed() / RPM, 2),
                                Wire.rounded(d.power() / KW, 2),
                                Wire.rounded(d.current(), 2),
                                Wire.rounded(d.load(), 3)))
                        .toList());
    }
}
