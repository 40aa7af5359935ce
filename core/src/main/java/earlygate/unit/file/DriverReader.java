package earlygate.unit.file;

import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.RPM;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.text;

import earlygate.unit.DcMotor;
import earlygate.unit.ElectricMotor;
import earlygate.unit.Engine;
import tools.jackson.databind.JsonNode;

/** What turns pumps. */
final class DriverReader {
    private DriverReader() {}

    static ElectricMotor electric(JsonNode n) {
        double rated = number(n, "ratedCurrentA", 0);
        return new ElectricMotor(
                text(n, "id"),
                number(n, "ratedPowerKw", 0) * KW,
                number(n, "syncSpeedRpm", 0) * RPM,
                number(n, "ratedSpeedRpm", 0) * RPM,
                rated,
                number(n, "noLoadCurrentA", 0.38 * rated),
                number(n, "voltageV", 400),
                number(n, "serviceFactor", 1));
    }

    /** rev/s at rated power, of any kind of drive. */
    static double ratedSpeed(JsonNode n) {
        return n.has("speedsRpm")
                ? number(n.path("speedsRpm"), "highIdle", 0) * RPM * (1 - number(n, "droopPercent", 4) / 100)
                : number(n, "ratedSpeedRpm", 0) * RPM;
    }

    static Engine engine(JsonNode n) {
        JsonNode speeds = n.path("speedsRpm");
        return new Engine(
                text(n, "id"),
                number(n, "ratedPowerKw", 0) * KW,
                number(speeds, "lowIdle", 0) * RPM,
                number(speeds, "mid", 0) * RPM,
                number(speeds, "highIdle", 0) * RPM,
                number(n, "droopPercent", 4) / 100);
    }

    static DcMotor dc(JsonNode n) {
        return new DcMotor(
                text(n, "id"),
                number(n, "ratedPowerKw", 0) * KW,
                number(n, "noLoadSpeedRpm", 0) * RPM,
                number(n, "ratedSpeedRpm", 0) * RPM,
                number(n, "ratedCurrentA", 0),
                number(n, "noLoadCurrentA", 0),
                number(n, "voltageV", 24),
                number(n, "onTimeS", 60),
                number(n, "cycleS", 600));
    }
}
