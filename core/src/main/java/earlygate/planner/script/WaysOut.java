package earlygate.planner.script;

import earlygate.unit.CheckValve;
import earlygate.unit.Component;
import earlygate.unit.Cylinder;
import earlygate.unit.DirectionalValve;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Section;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import java.util.List;

/** Over what a line that is shut in can lose its oil: seats, spools, seals, and the pump itself where no check holds it. */
final class WaysOut {
    private WaysOut() {}

    static List<String> of(PowerUnit unit, String line) {
        return unit.components().stream()
                .filter(c -> leadsOut(c, line))
                .map(Component::id)
                .toList();
    }

    private static boolean leadsOut(Component c, String line) {
        if (c instanceof CheckValve v) {
            return v.outlet().equals(line);
        }
        if (c instanceof ReliefValve v) {
            return v.inlet().equals(line);
        }
        if (c instanceof UnloadingValve v) {
            return v.inlet().equals(line);
        }
        if (c instanceof Throttle t) {
            return t.a().equals(line) || t.b().equals(line);
        }
        if (c instanceof DirectionalValve v) {
            return v.ways().stream().anyMatch(w -> w.from().equals(line) || w.to().equals(line));
        }
        if (c instanceof Section s) {
            return s.portA().equals(line) || s.portB().equals(line);
        }
        if (c instanceof Cylinder x) {
            return x.cap().equals(line) || x.rod().equals(line);
        }
        if (c instanceof HydraulicMotor x) {
            return x.a().equals(line) || x.b().equals(line);
        }
        return c instanceof Pump p && p.outlet().equals(line);
    }
}
