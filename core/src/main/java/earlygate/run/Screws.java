package earlygate.run;

import earlygate.judge.NextTurn;
import earlygate.judge.Slope;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Turned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Screw;
import earlygate.unit.Setting;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What the run has learned of each screw: its slope on each gauge, how far its nut drags it, how long it is, and how far
 * it stands from all out once an end was touched.
 */
final class Screws {
    private final PowerUnit unit;
    private final Answers answers;
    private final Set<String> ids;
    /** By setting and gauge: turns and readings in one arrangement each. */
    private final Map<String, List<List<NextTurn.Reading>>> taught = new HashMap<>();

    private final Map<String, Double> lastRead = new HashMap<>();
    private final Map<String, Locked> locked = new HashMap<>();
    private final Map<String, Double> travels = new HashMap<>();
    private final Map<String, Double> net = new HashMap<>();
    private final Map<String, Double> position = new HashMap<>();
    private final Map<String, Double> foundAt = new HashMap<>();
    private final Map<String, Double> firstRead = new HashMap<>();
    private final Map<String, Long> lastTurn = new HashMap<>();
    private Optional<Step> at = Optional.empty();
    private TurnHistory history = new TurnHistory();

    Screws(PowerUnit unit, Answers answers) {
        this.unit = unit;
        this.answers = answers;
        this.ids = unit.settings().stream().map(Setting::id).collect(Collectors.toSet());
    }

    void turned(long seq, Step step, Turned t) {
        if (!ids.contains(t.setting())) {
            return;
        }
        net.merge(t.setting(), t.turns(), Double::sum);
        position.computeIfPresent(t.setting(), (id, p) -> p + t.turns());
        if (t.turns() != 0) {
            lastTurn.put(t.setting(), seq);
        }
        boolean own = step.setting().filter(t.setting()::equals).isPresent();
        if (t.atEnd()) {
            atEnd(t, t.turns() > 0 || t.turns() == 0 && own && step.goesAllIn());
        }
        if (own) {
            history.turned(t.turns());
        } else if (t.turns() != 0) {
            // The gauge may have followed the other one.
            forget();
        }
    }

    private void atEnd(Turned t, boolean inward) {
        if (inward && position.containsKey(t.setting())) {
            travels.put(t.setting(), position.get(t.setting()));
        } else if (!inward && position.containsKey(t.setting())) {
            travels.put(t.setting(), travel(t.setting()) - position.get(t.setting()));
        }
        double end = inward ? travel(t.setting()) : 0;
        // Counted from an end, the first one that is touched says how it was found.
        foundAt.putIfAbsent(t.setting(), end - net.get(t.setting()));
        position.put(t.setting(), end);
    }

    /** What the goal of a step measures now. */
    void measured(Step step, Goal.Measured goal, double measure) {
        String setting = step.setting().orElse("");
        if (!ids.contains(setting) || step.cracks()) {
            return;
        }
        if (net.getOrDefault(setting, 0.0) == 0 && step.kind() == Step.Kind.SET) {
            firstRead.putIfAbsent(setting, measure);
        }
        if (at.filter(s -> s.id().equals(step.id())).isEmpty()) {
            forget();
            at = Optional.of(step);
        }
        boolean first = history.isEmpty();
        history.read(measure);
        String gauge = key(setting, goal);
        String same = gauge + " " + goal.targetPa();
        if (step.kind() == Step.Kind.LOCK && lastRead.containsKey(same) && (first || history.lastTurn() != 0)) {
            locked.put(setting, new Locked(gauge, lastRead.get(same), first ? 0 : history.lastTurn(), measure));
        }
        lastRead.put(same, measure);
    }

    /** What the nut did: read before, turned against it, read after. */
    private record Locked(String gauge, double before, double turned, double after) {}

    /** Another step, another arrangement: what was turned before it teaches nothing about the next reading. */
    void forget() {
        at.filter(s -> s.kind() != Step.Kind.LOCK).ifPresent(step -> {
            List<NextTurn.Reading> own = own(step);
            if (own.size() > 1) {
                taught.computeIfAbsent(
                                key(step.setting().orElseThrow(), step.goal().orElseThrow()), k -> new ArrayList<>())
                        .add(own);
            }
        });
        at = Optional.empty();
        history = new TurnHistory();
    }

    /** Turns and what they made the setting be, where its screw had the gauge. */
    private List<NextTurn.Reading> own(Step step) {
        double more = more(step);
        return history.own(answers.curve(step)).stream()
                .map(r -> new NextTurn.Reading(r.turns(), r.reads() - more))
                .toList();
    }

    private static String key(String setting, Goal goal) {
        return setting + " " + goal.testPoint() + goal.minus().map(m -> "-" + m).orElse("");
    }

    /** The turns and readings of the step at hand. */
    TurnHistory history(Step step) {
        return at.filter(s -> s.id().equals(step.id())).isPresent() ? history : new TurnHistory();
    }

    /** What is known of a screw's slope on the gauge of a goal, from earlier arrangements; Pa per turn. */
    Slope slope(String setting, Goal goal) {
        return slope(setting, key(setting, goal));
    }

    private Slope slope(String setting, String key) {
        Screw screw = unit.setting(setting).screw();
        Slope known = Slope.ofData(screw.paPerTurn());
        for (List<NextTurn.Reading> readings : taught.getOrDefault(key, List.of())) {
            known = answers.learned(asked(screw, readings, known));
        }
        return known;
    }

    /** What the step at hand teaches so far, on top of that. */
    private Slope withNow(String setting, String key) {
        Slope known = slope(setting, key);
        boolean now = at.filter(s -> s.kind() != Step.Kind.LOCK
                        && key.equals(key(s.setting().orElseThrow(), s.goal().orElseThrow())))
                .isPresent();
        List<NextTurn.Reading> own = now ? own(at.orElseThrow()) : List.of();
        return own.size() > 1 ? answers.learned(asked(unit.setting(setting).screw(), own, known)) : known;
    }

    /** What the nut of this screw moves it by, turns, clockwise positive; 0 before anyone saw it. */
    double drag(String setting) {
        Locked l = locked.get(setting);
        if (l == null) {
            return 0;
        }
        double perTurn = slope(setting, l.gauge()).perTurn();
        return (l.after() - l.before()) / perTurn - l.turned();
    }

    /** By how much the gauge of a step shows more than the setting itself, Pa. */
    double more(Step step) {
        return step.judgesSetting()
                ? step.measured()
                        .flatMap(g -> unit.target(step.setting().orElseThrow()).map(t -> g.targetPa() - t.pressurePa()))
                        .orElse(0.0)
                : 0;
    }

    /** What is asked of the slope by turns and what they made the setting be. */
    private NextTurn.Ask asked(Screw screw, List<NextTurn.Reading> readings, Slope known) {
        return new NextTurn.Ask(
                screw.paPerTurn(),
                screw.minPa(),
                screw.maxPa(),
                readings,
                screw.maxPa(),
                screw.maxPa(),
                screw.maxPa(),
                screw.maxPa(),
                0,
                0,
                OptionalDouble.empty(),
                known,
                Double.POSITIVE_INFINITY);
    }

    /** The best known slope of a screw on any gauge, the step at hand included; its data's where none was learned. */
    Slope slope(String setting) {
        Stream<String> now = at.filter(s -> s.setting().filter(setting::equals).isPresent()).stream()
                .map(s -> key(setting, s.goal().orElseThrow()));
        return Stream.concat(taught.keySet().stream().filter(k -> k.startsWith(setting + " ")), now)
                .distinct()
                .map(k -> withNow(setting, k))
                .filter(known -> known.answers() > 0)
                .min(Comparator.comparingDouble(Slope::sd))
                .orElseGet(() -> Slope.ofData(unit.setting(setting).screw().paPerTurn()));
    }

    /** Turns from end to end: counted, where both ends were touched, else by the data. */
    double travel(String setting) {
        return travels.getOrDefault(setting, unit.setting(setting).screw().travel());
    }

    /** Turns in from all out; empty before an end was touched. */
    OptionalDouble position(String setting) {
        return optional(position.get(setting));
    }

    /** Turns in from all out at which the unit was found; empty where nobody counted to an end. */
    OptionalDouble foundAt(String setting) {
        return optional(foundAt.get(setting));
    }

    /** The first measure of a setting before its screw was touched at all, Pa. */
    OptionalDouble firstRead(String setting) {
        return optional(firstRead.get(setting));
    }

    /** Sequence number of the last turn; 0 before the first. */
    long lastTurn(String setting) {
        return lastTurn.getOrDefault(setting, 0L);
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
