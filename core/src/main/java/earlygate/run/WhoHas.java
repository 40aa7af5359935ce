package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.judge.Holder;
import earlygate.judge.Watch.CurrentScrew;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.unit.PowerUnit;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Who has the gauge of a step whose reading does not come, by the model at the readings as they are, and what to look at
 * next to be sure of it.
 *
 * @param setting empty where nothing of the sheet could hold it there
 * @param look each with the figures that tell one holder from the other; two at most
 */
public record WhoHas(Optional<String> setting, Reason why, List<Reason> look) {
    private static final int LOOKS = 2;
    /** In doubts of the model: two holders that differ by less look alike on an instrument. */
    private static final double TELLS = 1.5;

    /** Empty while the goal has not been read, or reads right. */
    static Optional<WhoHas> of(RunState run, Step step, boolean notItself) {
        // A crack is told by its fall, and what a screw is counted by has no reading of its own.
        Optional<CurrentScrew> hand =
                WatchRequest.atHand(run, step).filter(h -> step.goal().orElseThrow() instanceof Goal.OnGauge);
        return hand.flatMap(h -> run.record(step.id()).reading(h.gauge()).map(r -> {
            Map<String, Double> others = new HashMap<>();
            step.expect().stream()
                    .filter(e -> !e.instrument().equals(h.gauge()))
                    .forEach(e -> run.record(step.id())
                            .reading(e.instrument())
                            .ifPresent(o -> others.put(e.instrument(), o.value())));
            List<Holder> all = run.answers().holders(h, r.value(), others);
            return of(run.unit(), h, r.value(), all, notItself);
        }));
    }

    private static WhoHas of(PowerUnit unit, CurrentScrew hand, double reads, List<Holder> all, boolean notItself) {
        String own = hand.setting();
        String gauge = hand.gauge();
        List<Holder> could =
                all.stream().filter(h -> !notItself || !h.setting().equals(own)).toList();
        if (could.isEmpty()) {
            return new WhoHas(
                    Optional.empty(),
                    Reason.of("who-has.nobody").name("gauge", gauge).pressure("reads", reads),
                    List.of());
        }
        Holder first = could.get(0);
        Reason why = Reason.of(first.setting().equals(own) ? "who-has.itself" : "who-has.other")
                .name("holder", first.setting())
                .name("gauge", gauge)
                .pressure("reads", reads)
                .pressure("stands", first.standsPa());
        Optional<Holder> second =
                all.stream().filter(h -> !h.setting().equals(first.setting())).findFirst();
        return new WhoHas(
                Optional.of(first.setting()),
                why,
                second.map(s -> look(unit, gauge, first, s)).orElse(List.of()));
    }

    private static List<Reason> look(PowerUnit unit, String gauge, Holder first, Holder second) {
        return first.shows().keySet().stream()
                .filter(i -> !i.equals(gauge) && apart(unit, i, first, second) > TELLS)
                .sorted(Comparator.comparingDouble(i -> -apart(unit, i, first, second)))
                .limit(LOOKS)
                .map(i -> {
                    Kind kind = unit.findTestPoint(i).isPresent() ? Kind.PRESSURE : Kind.CURRENT;
                    return Reason.of("who-has.look")
                            .name("instrument", i)
                            .with("first", new Amount(first.shows().get(i), kind))
                            .name("holder", first.setting())
                            .with("second", new Amount(second.shows().get(i), kind))
                            .name("other", second.setting());
                })
                .toList();
    }

    private static double apart(PowerUnit unit, String instrument, Holder a, Holder b) {
        double one = a.shows().get(instrument);
        double other = b.shows().get(instrument);
        return Math.abs(one - other) / Holder.doubt(unit, instrument, Math.max(one, other));
    }
}
