package earlygate.planner.script;

import earlygate.explain.Reason;
import earlygate.plan.Plan;
import earlygate.planner.search.Safety;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Control;
import earlygate.unit.Fluid;
import earlygate.unit.PowerUnit;
import earlygate.unit.RateTarget;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The machine as the plan has left it so far: every step changes the situation, is solved on the model, and is held
 * against ratings and the motor. What it finds unsafe is collected as refusals.
 */
public final class Rehearsal {
    /** A screw at hand may be turned this much past its target, as a fraction of it. */
    private static final double OVERSHOOT = 0.25;
    /** A step of full flow that may last this long needs no clock, s. */
    private static final double LONG = 2400;

    final PowerUnit unit;
    private final Model model;
    private final Safety safety;
    public final List<Plan.Refusal> refused = new ArrayList<>();
    /** Components in whose line a flow meter stands, where one is at hand. */
    final Set<String> metersAt = new TreeSet<>();

    Situation situation;
    /** Empty where the model had no answer, and the plan is refused. */
    Optional<SteadyState> state;

    private double peakLoad;
    private final Set<String> proved = new HashSet<>();

    Rehearsal(Model model, Situation start) {
        this.unit = model.unit();
        this.model = model;
        this.safety = new Safety(unit);
        go(start);
    }

    /** Puts the machine in a situation and solves it. */
    void go(Situation next) {
        situation = next;
        state = solved(next);
        if (state.isEmpty()) {
            refuse("not-solvable", unit.tag(), Reason.of("plan.refused.not-solvable"));
        }
        state.ifPresent(s -> {
            safety.ratings(s).forEach(this::refuse);
            motors(s);
        });
        Situation unheld = unlimited(next);
        if (!unheld.equals(next)) {
            solved(unheld).ifPresent(this::motors);
        }
    }

    /** A power limiter that has yet to be set holds nothing for sure: the motor must bear the pump without it. */
    private Situation unlimited(Situation s) {
        Situation without = s;
        for (RateTarget t : unit.rateTargets()) {
            boolean limiter = Control.in(t.setting())
                    .filter(place -> place.control() == Control.POWER_LIMITER)
                    .isPresent();
            if (limiter && unit.hasScrew(t.setting()) && !proved.contains(t.setting())) {
                without = without.withSetting(
                        t.setting(), unit.setting(t.setting()).screw().maxPa());
            }
        }
        return without;
    }

    /** From here on a power limiter holds what it was set to. */
    void proved(String limiter) {
        proved.add(limiter);
    }

    /** What the model says of a situation without going there; empty where it has no answer. */
    Optional<SteadyState> solved(Situation s) {
        return model.solve(s);
    }

    /** The same where a drive turns; empty while all stand. */
    Optional<SteadyState> running(Situation s) {
        return solved(s).filter(state -> state.shaftPower() > 0);
    }

    /** The screw at hand turned past its target must still not pass a rating. */
    void proveOvershoot(String setting, double settingPa) {
        double past = unit.setting(setting).screw().clamp(settingPa * (1 + OVERSHOOT));
        solved(situation.withSetting(setting, past))
                .ifPresent(s -> safety.pastTarget(s, setting).forEach(this::refuse));
    }

    /** No line above what its parts stand, no drive above what it may carry. */
    boolean safe(SteadyState s) {
        return safety.holds(s);
    }

    private void refuse(Plan.Refusal r) {
        refuse(r.code(), r.subject(), r.message());
    }

    private void motors(SteadyState s) {
        peakLoad = Math.max(peakLoad, safety.load(s));
        safety.motors(s).forEach(this::refuse);
    }

    void refuse(String code, String subject, Reason message) {
        if (refused.stream().noneMatch(r -> r.code().equals(code) && r.subject().equals(subject))) {
            refused.add(new Plan.Refusal(code, subject, message));
        }
    }

    double peakLoad() {
        return peakLoad;
    }

    /** All shaft power ends as heat in the oil while nothing moves, W; none where the plan is refused anyway. */
    double heat() {
        return state.map(SteadyState::shaftPower).orElse(0.0);
    }

    /** How long the tank's heat allows what runs now, where that is not long: from the middle of its band to the end. */
    Optional<Reason> fullFlow() {
        Fluid f = unit.fluid();
        double seconds = f.heatCapacity() * (f.bandHigh() - f.middleOfBand()) / Math.max(1, heat());
        return seconds < LONG
                ? Optional.of(
                        Reason.of("caution.full-flow").time("time", seconds).temperature("high", f.bandHigh()))
                : Optional.empty();
    }

    /** True where this screw, run away to its end, would pass a rating: nothing else stands below. */
    boolean alone(String setting) {
        return solved(situation.withSetting(
                        setting, unit.setting(setting).screw().maxPa()))
                .filter(s -> !safety.ratings(s).isEmpty())
                .isPresent();
    }
}
