package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Step;
import earlygate.unit.Pump;
import earlygate.unit.RateTarget;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Each setting with a target is set, locked and read again after that, and not touched any more; after a margin was
 * touched, the cut-off beside it is read again.
 */
final class SetAndLocked implements Check {
    /** m3/s; a shut valve passes nothing. */
    private static final double SHUT = 1e-9;

    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        String last = replay.steps().get(replay.steps().size() - 1).step().id();
        for (Target t : replay.unit.targets()) {
            int set = lastIndex(replay, s -> is(s, Step.Kind.SET, t.setting()));
            int locked = lastIndex(replay, s -> is(s, Step.Kind.LOCK, t.setting()) && reads(s.step()));
            int turned = lastIndex(replay, s -> turned(replay, s, t.setting()));
            if (set < 0) {
                found.add(violation("audit.never-set", last, t.setting()));
            } else if (locked < set) {
                found.add(violation("audit.never-locked", id(replay, set), t.setting()));
            } else if (turned > locked) {
                found.add(violation("audit.touched-after-lock", id(replay, turned), t.setting()));
            } else if (!comesUpToIt(replay, replay.steps().get(locked), t)) {
                found.add(violation("audit.crack-not-found-again", id(replay, locked), t.setting()));
            } else {
                wrongPlace(replay, locked, t).ifPresent(found::add);
            }
        }
        for (RateTarget t : replay.unit.rateTargets()) {
            if (replay.unit.hasScrew(t.setting())) {
                rate(replay, t, last).ifPresent(found::add);
            }
        }
        for (Pump p : replay.unit.all(Pump.class)) {
            if (p.loadSense().isPresent()
                    && p.compensator().isPresent()
                    && replay.unit.target(p.compensatorId()).isPresent()) {
                int margin = lastIndex(replay, s -> turned(replay, s, p.loadSenseId()));
                int cutOff = lastIndex(replay, s -> readsCutOff(replay, s, p));
                if (margin >= 0 && cutOff < margin) {
                    found.add(violation("audit.cut-off-not-read-again", id(replay, margin), p.compensatorId()));
                }
            }
        }
        return found;
    }

    /** A locked relief whose crack is found again: the pump comes up to it from where nothing passes, its own screw still. */
    private static boolean comesUpToIt(Replay replay, Replay.ReplayedStep locked, Target t) {
        if (!locked.step().cracks()) {
            return true;
        }
        boolean pumpTurned = replay.unit.all(Pump.class).stream()
                .anyMatch(p -> p.compensator().isPresent() && rises(replay, locked, p.compensatorId()));
        boolean shut = replay.model
                .solve(locked.before())
                .filter(s -> s.flow(t.setting()) < SHUT)
                .isPresent();
        return pumpTurned && shut;
    }

    private static boolean rises(Replay replay, Replay.ReplayedStep s, String setting) {
        Setting x = replay.unit.setting(setting);
        return replay.unit.at(s.at()).setting(x.id())
                > replay.unit.at(s.before()).setting(x.id());
    }

    /** A flow or power is set and locked after all pressures, or the plan says that it can't be seen. */
    private static Optional<Violation> rate(Replay replay, RateTarget t, String last) {
        int said = lastIndex(replay, s -> is(s, Step.Kind.CHECK, t.setting()));
        int set = lastIndex(replay, s -> is(s, Step.Kind.SET, t.setting()));
        int locked = lastIndex(replay, s -> is(s, Step.Kind.LOCK, t.setting()) && reads(s.step()));
        if (set < 0) {
            return said >= 0 ? Optional.empty() : Optional.of(violation("audit.never-set", last, t.setting()));
        }
        if (locked < set) {
            return Optional.of(violation("audit.never-locked", id(replay, set), t.setting()));
        }
        int pressure = lastIndex(
                replay,
                s -> s.step().kind() == Step.Kind.SET && s.step().measured().isPresent());
        return pressure > set
                ? Optional.of(violation("audit.flow-before-pressure", id(replay, set), t.setting()))
                : Optional.empty();
    }

    /** What is left is what was asked, but for what leaks and drops cost. */
    private static Optional<Violation> wrongPlace(Replay replay, int locked, Target t) {
        Setting x = replay.unit.setting(t.setting());
        double left = replay.unit.at(replay.steps().get(locked).at()).setting(x.id());
        boolean fullFlow = t.defined() == Target.Defined.FULL_FLOW;
        boolean wrong =
                fullFlow ? left > t.pressurePa() + t.tolerancePa() : Math.abs(left - t.pressurePa()) > t.tolerancePa();
        return wrong
                ? Optional.of(new Violation(
                        Point.SET_AND_LOCKED,
                        id(replay, locked),
                        Reason.of("audit.left-elsewhere")
                                .name("setting", t.setting())
                                .pressure("left", left)
                                .pressure("target", t.pressurePa())))
                : Optional.empty();
    }

    private interface Which {
        boolean is(Replay.ReplayedStep s);
    }

    private static int lastIndex(Replay replay, Which which) {
        for (int i = replay.steps().size() - 1; i >= 0; i--) {
            if (which.is(replay.steps().get(i))) {
                return i;
            }
        }
        return -1;
    }

    private static String id(Replay replay, int index) {
        return replay.steps().get(index).step().id();
    }

    private static boolean is(Replay.ReplayedStep s, Step.Kind kind, String setting) {
        return s.step().kind() == kind
                && s.step().setting().filter(setting::equals).isPresent();
    }

    private static boolean reads(Step s) {
        return s.goal().isPresent()
                && s.expect().stream().anyMatch(e -> s.goal().get().reads(e.instrument()));
    }

    private static boolean turned(Replay replay, Replay.ReplayedStep s, String setting) {
        Setting x = replay.unit.setting(setting);
        return replay.unit.at(s.before()).setting(x.id())
                != replay.unit.at(s.at()).setting(x.id());
    }

    /** A judged reading, in a state in which the compensator has the pump's line. */
    private static boolean readsCutOff(Replay replay, Replay.ReplayedStep s, Pump p) {
        boolean judged = s.step().kind() == Step.Kind.LOCK
                || s.step().kind() == Step.Kind.TEST
                || s.step().kind() == Step.Kind.SET;
        return judged
                && s.step().expect().stream()
                        .flatMap(e -> replay.unit.findTestPoint(e.instrument()).stream())
                        .anyMatch(g -> s.state()
                                .flatMap(x -> x.limiterOf(g.line()))
                                .filter(p.compensatorId()::equals)
                                .isPresent());
    }

    private static Violation violation(String code, String step, String setting) {
        return new Violation(Point.SET_AND_LOCKED, step, Reason.of(code).name("setting", setting));
    }
}
