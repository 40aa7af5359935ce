package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.SituationFile;
import earlygate.circuit.TestPoint;
import earlygate.ladder.Derivation;
import earlygate.ladder.GapSchool;
import earlygate.server.words.Words;
import earlygate.sheet.TargetSheet;
import earlygate.sheet.WorkingPoints;
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
                round(e.target().pressurePa() / BAR),
                round(e.target().tolerancePa() / BAR),
                e.target().defined().name().toLowerCase().replace('_', '-'),
                e.derived(),
                e.from().map(words::say).orElse(""),
                e.reads().stream().map(r -> read(unit, r)).toList(),
                e.trouble().map(words::say).orElse(""));
    }

    private static ReadView read(PowerUnit unit, TargetSheet.Read r) {
        TestPoint t = r.testPoint();
        return new ReadView(
                t.id(),
                round(t.reads().fromPa(r.value())),
                round(t.reads().fromPa(r.low())),
                round(t.reads().fromPa(r.high())),
                t.reads().label(),
                r.raised(),
                SituationFile.write(unit, r.situation()));
    }

    private static PointView point(WorkingPoints.Point p) {
        return new PointView(
                p.kind(),
                p.subject(),
                p.line(),
                round(p.pressure() / BAR),
                round(p.flow() / LPM),
                round(p.asked() / LPM),
                p.drives().stream()
                        .map(d -> new DriveView(
                                d.driver(),
                                round(d.speed() / RPM),
                                round(d.power() / KW),
                                round(d.current()),
                                Math.round(d.load() * 1000) / 1000.0))
                        .toList());
    }

    private static double round(double value) {
        return Math.round(value * 100) / 100.0;
    }
}
