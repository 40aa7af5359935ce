package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Step;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * If the current screw is turned fully in, another limiter must keep every line within its rating, or the step must warn
 * that none does. No unset relief of a fixed pump is turned fully in.
 */
final class Protected implements Check {
    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        Set<String> set = new HashSet<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            if (s.step().setting().isPresent() && replay.unit.at(s.at()).anyDriveRuns()) {
                Setting x = replay.unit.setting(s.step().setting().get());
                // A relief that is turned limits the line itself; what else is turned does so only as long as it works.
                boolean relief = x.kind() == Setting.Kind.RELIEF;
                boolean alone = !relief && x.limitsPressure() && turned(replay, s, x) && alone(replay, s, x);
                if (alone && !s.step().unprotected()) {
                    found.add(new Violation(
                            Point.PROTECTED,
                            s.step().id(),
                            Reason.of("audit.unsaid").name("setting", x.id())));
                }
                if (woundIn(replay, s, x) && !set.contains(x.id())) {
                    found.add(new Violation(
                            Point.PROTECTED,
                            s.step().id(),
                            Reason.of("audit.wound-in").name("setting", x.id())));
                }
                if (s.step().kind() == Step.Kind.SET) {
                    set.add(x.id());
                }
            }
        }
        return found;
    }

    private static boolean turned(Replay replay, Replay.ReplayedStep s, Setting x) {
        return replay.unit.at(s.before()).setting(x.id())
                != replay.unit.at(s.at()).setting(x.id());
    }

    private static boolean alone(Replay replay, Replay.ReplayedStep s, Setting x) {
        return replay.model
                .solve(s.at().withSetting(x.id(), x.screw().maxPa()))
                .filter(state -> state.pressures().entrySet().stream()
                        .anyMatch(line -> line.getValue()
                                > replay.unit.weakest(line.getKey()).pressurePa()))
                .isPresent();
    }

    private static boolean woundIn(Replay replay, Replay.ReplayedStep s, Setting x) {
        return replay.unit.partOf(x.id()) instanceof ReliefValve r
                && turned(replay, s, x)
                && replay.unit.at(s.at()).setting(x.id()) >= x.screw().maxPa()
                && x.screw().maxPa()
                        > replay.unit.target(x.id()).map(t -> t.pressurePa()).orElse(0.0)
                && replay.unit.pumpsInto(r.inlet()).stream().anyMatch(Protected::fixed);
    }

    private static boolean fixed(Pump p) {
        return p.compensator().isEmpty();
    }
}
