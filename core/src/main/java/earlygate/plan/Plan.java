package earlygate.plan;

import earlygate.explain.Reason;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * A commissioning sequence with its proof, or the reasons why there is none.
 *
 * @param school the one that was planned
 * @param why what decided for it
 * @param refused empty for a plan that may be walked; otherwise {@code phases} is empty
 * @param order why each setting comes when it does, in their order; earlier editions don't say
 * @param audited how many of its steps were replayed by the auditor; 0 where none was
 * @param edition how it is written: 1 ended with its last step; in 2 the last gate is opened too; 3 says phrases inside
 *     its sentences by words of their own; 4 lists the moves of each step; in 5 a goal may be a flow or a
 *     current; in 6 a step may take a curve; 7 says which test a step belongs to; 8 knows vents
 *     and regulators' levers; 9 the flow at another speed of the engine; in 10 what a
 *     drive draws is expected at what a load was really opened to
 */
public record Plan(
        School school,
        Reason why,
        List<Phase> phases,
        List<Comparison> comparison,
        List<Refusal> refused,
        List<Reason> order,
        int audited,
        Integer edition) {
    /** What plans are written in now; all earlier ones are read. */
    public static final int EDITION = 10;

    private static final int LAST_GATE = 2;

    public Plan {
        edition = edition == null ? 1 : edition;
        order = order == null ? List.of() : order;
    }

    /** The same with each step as {@code each} makes it. */
    public Plan withSteps(UnaryOperator<Step> each) {
        List<Phase> other = phases.stream()
                .map(p -> new Phase(p.id(), p.steps().stream().map(each).toList(), p.holdPoint()))
                .toList();
        return new Plan(school, why, other, comparison, refused, order, audited, edition);
    }

    public Plan(School school, Reason why, List<Phase> phases, List<Comparison> comparison, List<Refusal> refused) {
        this(school, why, phases, comparison, refused, List.of(), 0, EDITION);
    }

    /** The same after the auditor has replayed so many steps of it and found nothing. */
    public Plan audited(int steps) {
        return new Plan(school, why, phases, comparison, refused, order, steps, edition);
    }

    /** The same, handed out: with what decided for it and its order. */
    public Plan handedOut(Reason decided, List<Comparison> all, List<Reason> reasons) {
        return new Plan(school, decided, phases, all, refused, reasons, audited, edition);
    }

    /** Whether the run is over only when the gate after its last phase is open. */
    public boolean lastGateCounts() {
        return edition >= LAST_GATE;
    }

    /** @param code stable, such as {@code gauge-missing}; {@code subject} the line, setting or part it is about */
    public record Refusal(String code, String subject, Reason message) {}

    /**
     * What a school costs on this unit.
     *
     * @param peakMotorLoad fraction of rated power
     * @param heat into the oil while setting, J
     * @param tankRise K, by that heat
     * @param refused why it is unsafe on this unit; empty for one that may be walked
     * @param unprotected longest time without a limit below the ratings but the screw at hand, s
     */
    public record Comparison(
            School school,
            double peakMotorLoad,
            double heat,
            double tankRise,
            double unprotected,
            int moves,
            double minutes,
            Optional<Refusal> refused) {}

    public List<Step> steps() {
        return phases.stream().flatMap(p -> p.steps().stream()).toList();
    }

    public Step step(String id) {
        return steps().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NoSuchElementException("No step '" + id + "' in this plan"));
    }

    /** Where a step stands in the whole plan, counted from 1. */
    public int numberOf(String stepId) {
        List<Step> all = steps();
        return 1
                + IntStream.range(0, all.size())
                        .filter(i -> all.get(i).id().equals(stepId))
                        .findFirst()
                        .orElseThrow(() -> new NoSuchElementException("No step '" + stepId + "' in this plan"));
    }

    public Phase phaseOf(String stepId) {
        return phases.stream()
                .filter(p -> p.steps().stream().anyMatch(s -> s.id().equals(stepId)))
                .findFirst()
                .orElseThrow(() -> new NoSuchElementException("No step '" + stepId + "' in this plan"));
    }

    /** The settings in the order in which they are brought to their targets. */
    public List<String> settingOrder() {
        return steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET)
                .flatMap(s -> s.setting().stream())
                .toList();
    }
}
