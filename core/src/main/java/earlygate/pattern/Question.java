package earlygate.pattern;

import earlygate.quantity.Keyed;

/**
 * One number that a pattern asks.
 *
 * @param key its name in the answers; its wording and where it is found stand under it too
 * @param needed without it nothing can be drawn; else a rule of thumb stands in
 * @param least with {@code most} what can be meant, in the unit of the unit file
 */
public record Question(String key, Kind kind, Group group, boolean needed, double least, double most) {
    /** What is asked for, and the unit in which the unit file has it. */
    public enum Kind implements Keyed {
        PRESSURE("bar"),
        FLOW("L/min"),
        DISPLACEMENT("cm³"),
        POWER("kW"),
        SPEED("rpm"),
        CURRENT("A"),
        VOLTAGE("V"),
        VOLUME("L"),
        TORQUE("N·m"),
        SECONDS("s"),
        GRADE("cSt"),
        PERCENT("%"),
        COUNT("");

        public final String unit;

        Kind(String unit) {
            this.unit = unit;
        }
    }

    /** Where on the machine, or on its paper, one reads it. */
    public enum Group implements Keyed {
        DRIVE,
        PUMP,
        SCHEMATIC,
        WORK,
        OIL
    }

    static Question needed(String key, Kind kind, Group group, double least, double most) {
        return new Question(key, kind, group, true, least, most);
    }

    static Question ifKnown(String key, Kind kind, Group group, double least, double most) {
        return new Question(key, kind, group, false, least, most);
    }
}
