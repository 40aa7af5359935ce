package earlygate.audit;

import earlygate.network.Network;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.Driver;
import earlygate.unit.Meter;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.RateTarget;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A plan's steps, each with what stood before it and what the model says of it. */
final class Replay {
    final PowerUnit unit;
    final Network network;
    private final Solver solver;
    private final List<Stand> stands = new ArrayList<>();

    /** @param before the situation of the step before; of the first step its own */
    record Stand(Step step, Situation before, Optional<SteadyState> state) {
        Situation at() {
            return step.situation();
        }
    }

    Replay(PowerUnit unit, Plan plan) {
        this.unit = unit;
        network = new Network(unit);
        solver = new Solver(network);
        Situation before = null;
        for (Step s : plan.steps()) {
            stands.add(new Stand(s, before == null ? s.situation() : before, solve(s.situation())));
            before = s.situation();
        }
    }

    List<Stand> stands() {
        return stands;
    }

    Optional<SteadyState> solve(Situation s) {
        return solver.steady(network.conditions(s)).answer();
    }

    /** A power limiter that is set only later holds nothing for sure yet: the state without it; empty where all are set. */
    Optional<SteadyState> withoutUnsetLimiters(Stand stand) {
        Situation s = stand.at();
        for (RateTarget t : unit.rateTargets()) {
            boolean setLater = stands.stream()
                    .dropWhile(x -> x != stand)
                    .skip(1)
                    .map(Stand::step)
                    .anyMatch(x -> x.kind() == Step.Kind.SET
                            && x.setting().filter(t.setting()::equals).isPresent());
            if (setLater && unit.setting(t.setting()).kind() == Setting.Kind.POWER_LIMITER) {
                s = s.withSetting(t.setting(), unit.setting(t.setting()).screw().maxPa());
            }
        }
        return s.equals(stand.at()) ? Optional.empty() : solve(s);
    }

    /** What a flow meter shows, m3/s: one of the unit's own, or one that is fitted; empty where it is neither. */
    OptionalDouble flow(Situation at, SteadyState state, String meter) {
        return unit.meters().stream()
                .filter(m -> m.id().equals(meter))
                .map(Meter::of)
                .findFirst()
                .or(() -> Optional.ofNullable(at.metered().get(meter)))
                .map(place -> OptionalDouble.of(Math.abs(state.flow(place))))
                .orElse(OptionalDouble.empty());
    }

    boolean anyRuns(Situation s) {
        return unit.all(Driver.class).stream().anyMatch(d -> runs(s, d));
    }

    static boolean runs(Situation s, Driver d) {
        Situation.Drive drive = s.drivers().get(d.id());
        return drive == null || drive.running();
    }

    static double opening(Situation s, Throttle t) {
        return s.openings().getOrDefault(t.id(), t.atRest());
    }

    static String position(Situation s, Positioned v) {
        return s.positions().getOrDefault(v.id(), v.rest());
    }

    static double setting(Situation s, Setting x) {
        return s.settings().getOrDefault(x.id(), x.present());
    }
}
