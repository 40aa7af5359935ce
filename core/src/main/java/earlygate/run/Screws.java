package earlygate.run;

import earlygate.judge.NextTurn;
import earlygate.judge.Slope;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Turned;
import earlygate.run.ScrewSlopes.ScrewOnGauge;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import java.time.Instant;
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
    /** Of the travel by its data, what a screw may have. */
    private static final double LEAST_TRAVEL = 0.5;

    private static final double MOST_TRAVEL = 2;

    private final PowerUnit unit;
    private final ModelCache answers;
    private final Set<String> ids;
    private final ScrewSlopes springs;
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

    Screws(PowerUnit unit, ModelCache answers) {
        this(unit, answers, new ScrewSlopes(unit, answers));
    }

    private Screws(PowerUnit unit, ModelCache answers, ScrewSlopes springs) {
        this.unit = unit;
        this.answers = answers;
        this.springs = springs;
        this.ids = unit.settings().stream().map(Setting::id).collect(Collectors.toSet());
    }

    Screws copy() {
        Screws copy = new Screws(unit, answers, springs.copy());
        copy.lastRead.putAll(lastRead);
        copy.locked.putAll(locked);
        copy.travels.putAll(travels);
        copy.net.putAll(net);
        copy.position.putAll(position);
        copy.foundAt.putAll(foundAt);
        copy.firstRead.putAll(firstRead);
        copy.lastTurn.putAll(lastTurn);
        copy.at = at;
        copy.history = history.copy();
        return copy;
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
        if (position.containsKey(t.setting())) {
            double at = position.get(t.setting());
            double counted = inward ? at : travel(t.setting()) - at;
            double nominal = unit.setting(t.setting()).screw().travel();
            // Ignore an end stop reported at an implausible travel.
            if (counted > LEAST_TRAVEL * nominal && counted < MOST_TRAVEL * nominal) {
                travels.put(t.setting(), counted);
            }
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
        ScrewOnGauge gauge = ScrewOnGauge.of(setting, goal);
        String same = gauge + " " + goal.targetPa();
        if (step.kind() == Step.Kind.LOCK && lastRead.containsKey(same) && (first || history.lastTurn() != 0)) {
            locked.put(setting, new Locked(gauge, lastRead.get(same), first ? 0 : history.lastTurn(), measure));
        }
        lastRead.put(same, measure);
    }

    /** What the nut did: read before, turned against it, read after. */
    private record Locked(ScrewOnGauge gauge, double before, double turned, double after) {}

    /** Another step, another arrangement: what was turned before it teaches nothing about the next reading. */
    void forget() {
        at.filter(s -> s.kind() != Step.Kind.LOCK).ifPresent(step -> springs.teach(on(step), own(step)));
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

    private static ScrewOnGauge on(Step step) {
        return ScrewOnGauge.of(step.setting().orElseThrow(), step.goal().orElseThrow());
    }

    /** The turns and readings of the step at hand. */
    TurnHistory history(Step step) {
        return at.filter(s -> s.id().equals(step.id())).isPresent() ? history : new TurnHistory();
    }

    /** What is known of a screw's slope on the gauge of a goal, from earlier arrangements; Pa per turn. */
    Slope slope(String setting, Goal goal) {
        return springs.slope(ScrewOnGauge.of(setting, goal));
    }

    /** What the step at hand teaches so far, on top of that. */
    private Slope withNow(ScrewOnGauge on) {
        Slope known = springs.slope(on);
        return at.filter(s -> s.kind() != Step.Kind.LOCK && on.equals(on(s)))
                .map(s -> springs.with(on, own(s), known))
                .orElse(known);
    }

    /** What the nut of this screw moves it by, turns, clockwise positive; 0 before anyone saw it. */
    double drag(String setting) {
        Locked l = locked.get(setting);
        if (l == null) {
            return springs.before(setting).map(ScrewTaught::drag).orElse(0.0);
        }
        double perTurn = springs.slope(l.gauge()).perTurn();
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

    /** What earlier runs learned. */
    void know(List<ScrewTaught> taughtBefore) {
        taughtBefore.stream().filter(t -> ids.contains(t.setting())).forEach(t -> {
            springs.know(t);
            t.travel().ifPresent(turns -> travels.put(t.setting(), turns));
        });
    }

    /** Another valve stands in its place. */
    void replaced(String setting) {
        springs.forget(setting);
        locked.remove(setting);
        travels.remove(setting);
        position.remove(setting);
        forget();
    }

    /** When and by whom what is known of a screw was learned, where an earlier run did. */
    Optional<ScrewTaught> before(String setting) {
        return springs.before(setting);
    }

    /** What is known of every screw now that was ever learned. */
    List<ScrewTaught> learned(Instant when, String by) {
        return springs.all()
                .map(on -> springs.untouched(on).orElseGet(() -> learned(on, springs.slope(on), when, by)))
                .toList();
    }

    private ScrewTaught learned(ScrewOnGauge on, Slope known, Instant when, String by) {
        return new ScrewTaught(
                on.setting(),
                on.gauge(),
                known.perTurn(),
                known.sd(),
                known.answers(),
                drag(on.setting()),
                optional(travels.get(on.setting())),
                when,
                by);
    }

    /** The best known slope of a screw on any gauge, the step at hand included; its data's where none was learned. */
    Slope slope(String setting) {
        Stream<ScrewOnGauge> now = at.stream().map(Screws::on);
        return Stream.concat(springs.all(), now)
                .filter(on -> on.setting().equals(setting))
                .distinct()
                .map(this::withNow)
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

    /** Net turns of a screw in this run, clockwise positive. */
    double net(String setting) {
        return net.getOrDefault(setting, 0.0);
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
