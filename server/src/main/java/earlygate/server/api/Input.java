package earlygate.server.api;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.plan.AsFound;
import earlygate.plan.School;
import earlygate.plan.SectionOrder;
import earlygate.quantity.Keyed;
import earlygate.rig.Roughness;
import earlygate.server.words.ApiProblem;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.file.Problem;
import earlygate.unit.file.SituationFile;
import earlygate.unit.file.UnitFile;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.MissingNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads what a calculation is asked about, or says what is wrong with it. */
public final class Input {
    private static final int LONGEST_NAME = 80;
    private static final int EARLIEST_YEAR = 1900;

    private Input() {}

    public static PowerUnit unit(JsonNode document) {
        return accepted(UnitFile.read(orEmpty(document))).unit();
    }

    public static UnitFile.Reading.Read unitText(String text) {
        return accepted(UnitFile.read(text));
    }

    private static UnitFile.Reading.Read accepted(UnitFile.Reading reading) {
        if (reading instanceof UnitFile.Reading.Refused refused) {
            throw ApiProblem.badInput("file.refused", refused.problems());
        }
        UnitFile.Reading.Read read = (UnitFile.Reading.Read) reading;
        StoppedWork.about(read.unit());
        return read;
    }

    public static JsonNode orEmpty(JsonNode node) {
        return node == null ? MissingNode.getInstance() : node;
    }

    public static Situation situation(PowerUnit unit, JsonNode node) {
        List<Problem> problems = new ArrayList<>();
        Situation situation = SituationFile.read(unit, orEmpty(node), problems);
        if (!problems.isEmpty()) {
            throw ApiProblem.badInput("situation.refused", problems);
        }
        return situation;
    }

    /** {@code {"kind":"fixed","bar":14}}, {@code {"kind":"percent",...}} or {@code {"kind":"schematic"}}. */
    public static GapSchool gaps(JsonNode node) {
        if (node == null || node.isNull() || node.isMissingNode()) {
            return GapSchool.DEFAULT;
        }
        return switch (node.path("kind").asString("")) {
            case "fixed" -> new GapSchool.Fixed(number(node, "bar", 14) * BAR);
            case "percent" -> new GapSchool.Percent(number(node, "compensator", 10), number(node, "relief", 20));
            case "schematic" -> new GapSchool.Schematic();
            default ->
                throw ApiProblem.badInput(
                        "gapSchool.kind",
                        Reason.of("api.gap-school")
                                .name("value", node.path("kind").asString("")));
        };
    }

    /** As it is kept with a run. */
    public static String gapText(JsonNode node) {
        GapSchool gaps = gaps(node);
        ObjectNode text = JsonNodeFactory.instance.objectNode();
        if (gaps instanceof GapSchool.Fixed f) {
            text.put("kind", "fixed").put("bar", f.gapPa() / BAR);
        } else if (gaps instanceof GapSchool.Percent p) {
            text.put("kind", "percent").put("compensator", p.compensator()).put("relief", p.relief());
        } else {
            text.put("kind", "schematic");
        }
        return text.toString();
    }

    private static double number(JsonNode node, String key, double fallback) {
        double value = node.path(key).asDouble(fallback);
        if (!(value >= 0 && value <= 500)) {
            throw outOfRange("gapSchool." + key, node.path(key).asString(""), 0, 500);
        }
        return value;
    }

    /** Settings as they were measured, bar, by setting; in Pa. */
    public static Map<String, Double> measured(PowerUnit unit, Map<String, Double> given) {
        Map<String, Double> measured = new LinkedHashMap<>();
        if (given != null) {
            given.forEach((setting, bar) -> {
                if (unit.settings().stream().noneMatch(s -> s.id().equals(setting))) {
                    throw ApiProblem.badInput(
                            "measured." + setting,
                            Reason.of("situation.unknown").name("id", setting));
                }
                measured.put(setting, inRange("measured." + setting, bar, 0, 0, 1000) * BAR);
            });
        }
        return measured;
    }

    /** Of a person, stripped; empty where nobody gave one. */
    public static String name(String path, String given) {
        String name = given == null ? "" : given.strip();
        if (name.length() > LONGEST_NAME) {
            throw ApiProblem.badInput(
                    path, Reason.of("units.text").name("field", path).number("limit", LONGEST_NAME));
        }
        return name;
    }

    /** Somebody who must be named. */
    public static String who(String path, String given) {
        String name = name(path, given);
        if (name.isEmpty()) {
            throw ApiProblem.badInput(path, Reason.of("api.no-name"));
        }
        return name;
    }

    /** A day that has been, as 2026-05-31. */
    public static LocalDate day(String path, String given, LocalDate today) {
        try {
            LocalDate day = LocalDate.parse(String.valueOf(given));
            if (!day.isAfter(today) && day.getYear() >= EARLIEST_YEAR) {
                return day;
            }
        } catch (DateTimeException e) {
            // Told below, as a day that can't be.
        }
        throw ApiProblem.badInput(
                path,
                Reason.of("history.file.day")
                        .name("value", String.valueOf(given))
                        .name("today", today.toString()));
    }

    /** What may not be left out; {@code path} ends in its key. */
    public static <T> T required(String path, T given) {
        if (given == null) {
            throw ApiProblem.badInput(
                    path, Reason.of("file.missing-key").name("key", path.substring(path.lastIndexOf('.') + 1)));
        }
        return given;
    }

    /** A number that may be left out. */
    public static double inRange(String path, Double given, double fallback, double min, double max) {
        double value = given == null ? fallback : given;
        if (!(value >= min && value <= max)) {
            throw outOfRange(path, Double.toString(value), min, max);
        }
        return value;
    }

    public static ApiProblem outOfRange(String path, String value, double min, double max) {
        return ApiProblem.badInput(
                path,
                Reason.of("situation.out-of-range")
                        .name("value", value)
                        .number("min", min)
                        .number("max", max));
    }

    public static SectionOrder sections(String key) {
        try {
            return key == null ? SectionOrder.HIGHEST_FIRST : Keyed.of(SectionOrder.class, key);
        } catch (IllegalArgumentException e) {
            throw ApiProblem.badInput(
                    "sectionOrder", Reason.of("api.section-order").name("value", key));
        }
    }

    /** Empty where nothing is asked for. */
    public static Optional<AsFound> asFound(String key) {
        try {
            return Optional.ofNullable(key).map(k -> Keyed.of(AsFound.class, k));
        } catch (IllegalArgumentException e) {
            throw ApiProblem.badInput("asFound", Reason.of("api.as-found").name("value", key));
        }
    }

    /** As in a good workshop where nothing is asked for. */
    public static Roughness rig(String key) {
        try {
            return key == null ? Roughness.WORKSHOP : Keyed.of(Roughness.class, key);
        } catch (IllegalArgumentException e) {
            throw ApiProblem.badInput("rig", Reason.of("api.rig").name("value", key));
        }
    }

    public static School school(String key) {
        try {
            return key == null ? School.AUTO : Keyed.of(School.class, key);
        } catch (IllegalArgumentException e) {
            throw ApiProblem.badInput("school", Reason.of("api.school").name("value", key));
        }
    }
}
