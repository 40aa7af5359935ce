package earlygate.pattern;

import earlygate.quantity.Keyed;
import earlygate.quantity.Measure;

/**
 * One number that a pattern asks.
 *
 * @param key its name in the answers; its wording and where it is found stand under it too
 * @param needed without it nothing can be drawn; else a rule of thumb stands in
 * @param least with {@code most} what can be meant, in the unit of the unit file
 */
public record Question(String key, Measure measure, Group group, boolean needed, double least, double most) {
    /** Where on the machine, or on its paper, one reads it. */
    public enum Group implements Keyed {
        DRIVE,
        PUMP,
        SCHEMATIC,
        WORK,
        OIL
    }

    static Question needed(String key, Measure measure, Group group, double least, double most) {
        return new Question(key, measure, group, true, least, most);
    }

    static Question ifKnown(String key, Measure measure, Group group, double least, double most) {
        return new Question(key, measure, group, false, least, most);
    }
}
