package earlygate.target;

import earlygate.unit.PowerUnit;
import earlygate.unit.Target;
import earlygate.unit.Work;

/** How far a relief must stand above the compensator it backs up. */
public sealed interface GapSchool {
    /** A fixed pressure, Pa; commonly 14 or 17 bar. */
    record Fixed(double gapPa) implements GapSchool {}

    /** Percent above what the work needs: compensator and relief. */
    record Percent(double compensator, double relief) implements GapSchool {}

    /** The schematic's own values stand; only their tolerances must not overlap. */
    record Schematic() implements GapSchool {}

    GapSchool DEFAULT = new Fixed(14e5);

    /** Least distance, Pa, from the compensator's target up to the relief's cracking pressure. */
    default double gap(PowerUnit unit, String line, Target compensator, Target relief) {
        if (this instanceof Fixed f) {
            return f.gapPa();
        }
        if (this instanceof Percent p) {
            double need = unit.work().stream()
                    .filter(w -> w.line().equals(line))
                    .mapToDouble(Work::pressurePa)
                    .max()
                    .orElse(compensator.pressurePa() / (1 + p.compensator() / 100));
            return need * (1 + p.relief() / 100) - compensator.pressurePa();
        }
        return compensator.tolerancePa() + relief.tolerancePa();
    }
}
