package earlygate.run;

import earlygate.plan.Step;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import java.util.Optional;
import java.util.OptionalDouble;

/** Where settings were left: what each showed on its gauge after its nut was tight. */
public final class AsLeft {
    private AsLeft() {}

    /** The step that locks it and reads it again. */
    static Optional<Step> lockOf(RunState run, String setting) {
        return run.plan().steps().stream()
                .filter(s -> s.kind() == Step.Kind.LOCK
                        && s.goal().isPresent()
                        && s.setting().filter(setting::equals).isPresent())
                .findFirst();
    }

    /** What its gauge shows more than the setting is (margin, override, drops), Pa. */
    static double offset(Optional<Step> lock, Target target) {
        return lock.flatMap(Step::measured)
                .map(g -> g.targetPa() - target.pressurePa())
                .orElse(0.0);
    }

    /** Pa; empty until it was read locked. */
    static OptionalDouble of(RunState run, Target target) {
        Optional<Step> lock = lockOf(run, target.setting());
        OptionalDouble read = lock.map(s -> run.assess(s).decisive()).orElse(OptionalDouble.empty());
        return read.isPresent() ? OptionalDouble.of(read.getAsDouble() - offset(lock, target)) : read;
    }

    /** Whether a setting was read after it was locked. */
    public static boolean isRead(RunState run, String setting) {
        return run.unit().target(setting).filter(t -> of(run, t).isPresent()).isPresent();
    }

    /** The same situation with every setting off by as much as it was left off its target. */
    static Situation in(RunState run, Situation planned) {
        Situation left = planned;
        for (Target t : run.unit().targets()) {
            OptionalDouble at = of(run, t);
            if (at.isPresent()) {
                double set = run.unit().at(left).setting(t.setting());
                left = left.withSetting(t.setting(), Math.max(0, set + at.getAsDouble() - t.pressurePa()));
            }
        }
        return left;
    }
}
