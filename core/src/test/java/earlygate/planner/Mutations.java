package earlygate.planner;

import earlygate.audit.Violation.Point;
import earlygate.fixture.ChangedStep;
import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.planner.script.HandMoves;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** Ways to break a good plan, each in one thing, and the point of the audit that must find it. */
final class Mutations {
    private Mutations() {}

    record Mutation(String name, Point point, BiFunction<PowerUnit, List<Step>, Optional<List<Step>>> change) {}

    static List<Mutation> all() {
        return List.of(
                new Mutation(
                        "a value beside its band",
                        Point.SAYS_WHAT_IT_DOES,
                        (u, s) -> change(
                                s,
                                Mutations::reads,
                                x -> ChangedStep.expecting(
                                        x,
                                        e -> new Expect(e.instrument(), e.kind(), e.high() * 1.2, e.low(), e.high())))),
                new Mutation(
                        "value and band of another machine",
                        Point.SAYS_WHAT_IT_DOES,
                        (u, s) -> change(
                                s,
                                Mutations::reads,
                                x -> ChangedStep.expecting(
                                        x,
                                        e -> new Expect(
                                                e.instrument(),
                                                e.kind(),
                                                e.value() * 1.3,
                                                e.low() * 1.3,
                                                e.high() * 1.3)))),
                new Mutation(
                        "a move that is not told",
                        Point.SAYS_WHAT_IT_DOES,
                        (u, s) -> change(
                                s, x -> !x.moves().isEmpty() && !onlyNut(x), x -> ChangedStep.moving(x, List.of()))),
                new Mutation(
                        "the wrong motor named",
                        Point.SAYS_WHAT_IT_DOES,
                        (u, s) -> change(
                                s,
                                x -> x.moves().stream().anyMatch(m -> m.kind() == Move.Kind.START),
                                x -> ChangedStep.moving(
                                        x,
                                        x.moves().stream()
                                                .map(m -> m.kind() == Move.Kind.START
                                                        ? Move.of(Move.Kind.START, "M9")
                                                        : m)
                                                .toList()))),
                new Mutation("two settings swapped", Point.SAYS_WHAT_IT_DOES, (u, s) -> swapped(s)),
                new Mutation(
                        "another limit in the way",
                        Point.DECIDES,
                        (u, s) -> at(u, s, Step.Kind.SET, (x, set) -> lowered(u, x, set))),
                new Mutation(
                        "wound on past every rating",
                        Point.WITHIN_RATINGS,
                        (u, s) -> at(u, s, Step.Kind.SET, (x, set) -> everyScrewIn(u, x))),
                new Mutation(
                        "a curve's points elsewhere",
                        Point.SAYS_WHAT_IT_DOES,
                        (u, s) -> change(s, x -> x.curve().isPresent(), x -> ChangedStep.curved(x, aim -> 1.3 * aim))),
                new Mutation("the only relief wound in", Point.PROTECTED, (u, s) -> windIn(u, s)),
                new Mutation(
                        "turned the other way",
                        Point.DIRECTION,
                        (u, s) -> change(
                                s,
                                x -> x.moves().stream().anyMatch(m -> m.kind() == Move.Kind.TURN),
                                x -> ChangedStep.moving(
                                        x,
                                        x.moves().stream()
                                                .map(m ->
                                                        m.kind() == Move.Kind.TURN ? Move.turn(m.id(), -m.amount()) : m)
                                                .toList()))),
                new Mutation(
                        "never locked", Point.SET_AND_LOCKED, (u, s) -> dropped(u, s, x -> x.kind() == Step.Kind.LOCK)),
                new Mutation(
                        "never set", Point.SET_AND_LOCKED, (u, s) -> dropped(u, s, x -> x.kind() == Step.Kind.SET)),
                new Mutation("touched after its lock", Point.SET_AND_LOCKED, (u, s) -> touched(u, s)),
                new Mutation("no way to drain", Point.LET_DOWN, (u, s) -> undrained(u, s)),
                new Mutation(
                        "zero not proved",
                        Point.ON_THE_DIAL,
                        (u, s) -> dropped(u, s, x -> x.demands(Step.Demand.ZERO))),
                new Mutation(
                        "a drive never locked out",
                        Point.ON_THE_DIAL,
                        (u, s) -> dropped(
                                u,
                                s,
                                x -> x.does().stream().anyMatch(d -> d.action().equals("lock-out") && d.to() > 0.5))));
    }

    private static boolean reads(Step s) {
        return s.judgesSetting()
                && s.expect().stream().allMatch(e -> e.take() == Expect.Take.STANDING && e.value() > 1e5);
    }

    private static boolean onlyNut(Step s) {
        return s.moves().stream()
                .allMatch(m -> List.of(Move.Kind.NUT, Move.Kind.FIT, Move.Kind.REMOVE, Move.Kind.DRAIN)
                        .contains(m.kind()));
    }

    private interface Change {
        Step of(Step s);
    }

    private static Optional<List<Step>> change(List<Step> steps, Predicate<Step> which, Change change) {
        for (int i = 0; i < steps.size(); i++) {
            if (which.test(steps.get(i))) {
                List<Step> all = new ArrayList<>(steps);
                all.set(i, change.of(steps.get(i)));
                return Optional.of(all);
            }
        }
        return Optional.empty();
    }

    private static Optional<List<Step>> dropped(PowerUnit unit, List<Step> steps, Predicate<Step> which) {
        List<Step> left = steps.stream().filter(which.negate()).toList();
        return left.size() == steps.size() ? Optional.empty() : Optional.of(told(unit, left));
    }

    /** The first two settings in each other's place. */
    private static Optional<List<Step>> swapped(List<Step> steps) {
        List<Integer> set = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).kind() == Step.Kind.SET) {
                set.add(i);
            }
        }
        if (set.size() < 2) {
            return Optional.empty();
        }
        List<Step> all = new ArrayList<>(steps);
        all.set(set.get(0), steps.get(set.get(1)));
        all.set(set.get(1), steps.get(set.get(0)));
        return Optional.of(all);
    }

    private static Optional<List<Step>> at(
            PowerUnit unit, List<Step> steps, Step.Kind kind, BiFunction<Situation, String, Situation> change) {
        return change(
                        steps,
                        s -> s.kind() == kind && s.measured().isPresent() && !s.cracks(),
                        s -> ChangedStep.standing(
                                s, change.apply(s.situation(), s.setting().orElseThrow())))
                .filter(all -> IntStream.range(0, all.size())
                        .anyMatch(
                                i -> !all.get(i).situation().equals(steps.get(i).situation())))
                .map(all -> told(unit, all));
    }

    /** Every other limiter stands lower than the one at hand. */
    private static Situation lowered(PowerUnit unit, Situation s, String set) {
        Situation low = s;
        for (var x : unit.settings()) {
            if (!x.id().equals(set) && x.limitsPressure()) {
                low = low.withSetting(x.id(), x.screw().minPa());
            }
        }
        return low;
    }

    private static Situation everyScrewIn(PowerUnit unit, Situation s) {
        Situation in = s;
        for (var x : unit.settings()) {
            if (x.limitsPressure()) {
                in = in.withSetting(x.id(), 3 * x.screw().maxPa());
            }
        }
        return in;
    }

    private static Optional<List<Step>> windIn(PowerUnit unit, List<Step> steps) {
        return change(
                        steps,
                        s -> s.kind() == Step.Kind.SET
                                && unit
                                        .pumpsInto(unit.setting(s.setting().orElseThrow())
                                                .line())
                                        .stream()
                                        .anyMatch(p -> p.compensator().isEmpty())
                                && unit.setting(s.setting().get()).kind() == earlygate.unit.Setting.Kind.RELIEF,
                        s -> ChangedStep.standing(
                                s,
                                s.situation()
                                        .withSetting(
                                                s.setting().orElseThrow(),
                                                unit.setting(s.setting().get())
                                                        .screw()
                                                        .maxPa())))
                .map(all -> told(unit, all));
    }

    /** From its lock on the first setting stands a turn further in. */
    private static Optional<List<Step>> touched(PowerUnit unit, List<Step> steps) {
        String setting = steps.stream()
                .filter(s -> s.kind() == Step.Kind.LOCK)
                .flatMap(s -> s.setting().stream())
                .findFirst()
                .orElseThrow();
        List<Step> all = new ArrayList<>();
        boolean after = false;
        for (Step s : steps) {
            double stands = s.situation().settings().getOrDefault(setting, 0.0);
            double turn = unit.setting(setting).screw().paPerTurn() / 8;
            all.add(after ? ChangedStep.standing(s, s.situation().withSetting(setting, stands + turn)) : s);
            after |= s.kind() == Step.Kind.LOCK
                    && s.setting().filter(setting::equals).isPresent();
        }
        return Optional.of(told(unit, all));
    }

    /** With the drives off nothing is opened, no lever is worked and nothing is drained. */
    private static Optional<List<Step>> undrained(PowerUnit unit, List<Step> steps) {
        if (unit.all(earlygate.unit.Accumulator.class).isEmpty()) {
            // What leaks past the pump empties a line by itself.
            return Optional.empty();
        }
        List<Step> all = new ArrayList<>();
        for (Step s : steps) {
            boolean still = unit.all(Driver.class).stream()
                    .noneMatch(d -> s.situation().drivers().get(d.id()).running());
            Situation shut = s.situation().centred(unit);
            for (var t : unit.handValves()) {
                shut = shut.withOpening(t.id(), 0);
            }
            Step kept = ChangedStep.moving(
                    s,
                    s.moves().stream().filter(m -> m.kind() != Move.Kind.DRAIN).toList());
            all.add(still ? ChangedStep.standing(kept, shut) : kept);
        }
        return Optional.of(told(unit, all));
    }

    /** What differs between the steps is told, so that only what was broken is. */
    private static List<Step> told(PowerUnit unit, List<Step> steps) {
        List<Step> all = new ArrayList<>();
        Situation before = steps.get(0).situation();
        for (Step s : steps) {
            List<Move> moves = new ArrayList<>(HandMoves.withScrews(unit, before, s.situation()));
            s.moves().stream()
                    .filter(m -> List.of(Move.Kind.NUT, Move.Kind.FIT, Move.Kind.REMOVE, Move.Kind.DRAIN)
                            .contains(m.kind()))
                    .forEach(moves::add);
            all.add(ChangedStep.moving(s, moves));
            before = s.situation();
        }
        return all;
    }
}
