package earlygate.gauge;

import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;

/** Situations as the sheet states them, before hands do anything. */
public final class SheetState {
    private SheetState() {}

    /** Before anything is chosen: engines at their middle speed, which is the one stated for tests. */
    public static Situation speeds(PowerUnit unit) {
        Situation base = Situation.AS_THE_FILE;
        for (Engine e : unit.all(Engine.class)) {
            base = base.withSpeed(e.id(), e.mid());
        }
        return base;
    }

    /** Every setting at what is asked of it. */
    public static Situation targets(PowerUnit unit) {
        Situation s = speeds(unit);
        for (var t : unit.targets()) {
            s = s.withSetting(t.setting(), t.pressurePa());
        }
        return s;
    }
}
