package earlygate.planner.script;

import earlygate.explain.Reason;
import earlygate.plan.Curve;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Note;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.Procedure;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Component;
import earlygate.unit.DcMotor;
import earlygate.unit.Driver;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A plan while it is being written: steps in order, each with the machine as it stands then. */
public final class Script {
    /** Share of a step's time during which its pressure is really held; the rest is reading, walking, writing. */
    private static final double HELD = 0.25;

    final Rehearsal rehearsal;
    private final Map<Phase.Id, List<Step>> steps = new EnumMap<>(Phase.Id.class);
    private Phase.Id phase = Phase.Id.PAPER;
    private int count;
    private int screwed;
    private double heat;
    private double minutes;
    private double unprotected;
    private double stretch;
    private Situation shown;

    Script(Rehearsal rehearsal) {
        this.rehearsal = rehearsal;
        this.shown = rehearsal.situation;
    }

    void phase(Phase.Id id) {
        phase = id;
    }

    Writer step(Kind kind, Reason action) {
        return new Writer(kind, action);
    }

    /** Writes what differs by hand from the last step as one step of its own; nothing where nothing differs. */
    void arrange(Set<String> said) {
        Situation to = rehearsal.situation;
        Situation at = HandMoves.without(shown, to, said);
        List<Reason> parts = HandMoves.between(rehearsal.unit, shown, to, said, rehearsal.running(at));
        if (parts.isEmpty()) {
            return;
        }
        put(Step.byHand(
                "s" + ++count,
                Reason.of("plan.arrange").said("parts", parts),
                Reason.of("plan.why.arrange"),
                at,
                Reason.of("caution.loads"),
                HandMoves.moves(rehearsal.unit, shown, at)));
    }

    private void put(Step step) {
        steps.computeIfAbsent(phase, id -> new ArrayList<>()).add(step);
        shown = step.situation();
        minutes += step.minutes();
    }

    public List<Phase> phases() {
        List<Phase> phases = new ArrayList<>();
        for (Phase.Id id : Phase.Id.values()) {
            List<Step> own = List.copyOf(steps.getOrDefault(id, List.of()));
            phases.add(new Phase(id, own, List.of(Reason.of("hold." + id.key()))));
        }
        return phases;
    }

    public Plan.Comparison comparison(School school, Optional<Plan.Refusal> refused) {
        double rise = heat / rehearsal.unit.fluid().heatCapacity();
        return new Plan.Comparison(school, rehearsal.peakLoad(), heat, rise, unprotected, screwed, minutes, refused);
    }

    /** One step in the making; {@link #add} takes the machine as it stands at that moment. */
    final class Writer {
        private final Kind kind;
        private final Reason action;
        private Reason why = Reason.of("plan.why.none");
        private Optional<String> setting = Optional.empty();
        private Optional<Goal> goal = Optional.empty();
        private final List<Expect> expect = new ArrayList<>();
        private final List<Reason> ifNot = new ArrayList<>();
        private final List<Reason> cautions = new ArrayList<>();
        private String tool = "";
        private int people = 1;
        private double takes = 1;
        private boolean alone;
        private Optional<Step.Demand> demand = Optional.empty();
        private final List<Reason> notes = new ArrayList<>();
        private final Set<String> said = new LinkedHashSet<>();
        private final List<Step.Deed> does = new ArrayList<>();
        private final List<Move> handled = new ArrayList<>();
        private Optional<Curve> curve = Optional.empty();
        private Optional<Procedure> procedure = Optional.empty();

        private Writer(Kind kind, Reason action) {
            this.kind = kind;
            this.action = action;
        }

        Writer why(Reason reason) {
            why = reason;
            return this;
        }

        Writer setting(String id) {
            setting = Optional.of(id);
            tool = rehearsal.unit.setting(id).screw().wrench();
            return this;
        }

        Writer goal(Goal g) {
            goal = Optional.of(g);
            return this;
        }

        Writer expect(Expect e) {
            expect.add(e);
            return this;
        }

        Writer expect(List<Expect> more) {
            expect.addAll(more);
            return this;
        }

        Writer ifNot(Reason... reasons) {
            ifNot.addAll(List.of(reasons));
            return this;
        }

        Writer caution(String... codes) {
            for (String code : codes) {
                cautions.add(Reason.of("caution." + code));
            }
            return this;
        }

        Writer demand(Step.Demand d) {
            demand = Optional.of(d);
            return this;
        }

        /** What is to be written down. */
        Writer note(Note... asked) {
            List.of(asked).forEach(n -> notes.add(n.label()));
            return this;
        }

        Writer curve(Curve c) {
            curve = Optional.of(c);
            return this;
        }

        /** The test that it belongs to. */
        Writer test(Procedure.Kind test, String subject) {
            procedure = Optional.of(new Procedure(test, subject));
            return this;
        }

        /** A figure that is to be written down, with what the model says of it. */
        Writer note(Reason asked) {
            notes.add(asked);
            return this;
        }

        /** What its being done means at the machine. */
        Writer does(String action, String part, double to) {
            does.add(new Step.Deed(action, part, to));
            return this;
        }

        /** Parts whose movement the sentence itself says; any other movement becomes a step before this one. */
        Writer moves(String... ids) {
            said.addAll(List.of(ids));
            return this;
        }

        Writer moves(List<? extends Component> parts) {
            parts.forEach(p -> said.add(p.id()));
            return this;
        }

        /** What is fitted or taken off in it. */
        Writer handles(Move move) {
            handled.add(move);
            return this;
        }

        Writer tool(String name) {
            tool = name;
            return this;
        }

        /** A battery motor may only be on for so long. */
        Writer onTime(List<Driver> drivers) {
            for (Driver d : drivers) {
                if (d instanceof DcMotor dc) {
                    cautions.add(
                            Reason.of("caution.on-time").time("on", dc.onTime()).time("cycle", dc.cycle()));
                }
            }
            return this;
        }

        /** Full flow over a limiter: how long the tank's heat allows it. */
        Writer fullFlow() {
            rehearsal.fullFlow().ifPresent(cautions::add);
            return this;
        }

        Writer minutes(double m) {
            takes = m;
            return this;
        }

        Writer people(int n) {
            people = n;
            return this;
        }

        /** Meanwhile no limit but the screw at hand stands below the ratings. */
        Writer unprotected(boolean nothingElse) {
            if (nothingElse) {
                alone = true;
                cautions.add(0, Reason.of("caution.unprotected"));
            }
            return this;
        }

        void add() {
            arrange(said);
            Situation s = rehearsal.situation;
            boolean read = goal.isPresent() || !expect.isEmpty();
            Optional<String> inControl = read ? rehearsal.state.flatMap(this::holder) : Optional.empty();
            List<Move> moves = HandMoves.withScrews(rehearsal.unit, shown, s);
            setting.filter(id -> kind == Kind.LOCK).ifPresent(id -> moves.add(0, Move.of(Move.Kind.NUT, id)));
            moves.addAll(handled);
            Step step = new Step(
                    "s" + ++count,
                    kind,
                    setting,
                    goal,
                    action,
                    why,
                    inControl,
                    s,
                    List.copyOf(expect),
                    List.copyOf(ifNot),
                    List.copyOf(cautions),
                    tool,
                    people,
                    takes,
                    alone,
                    demand,
                    List.copyOf(notes),
                    List.copyOf(does),
                    moves,
                    curve,
                    procedure);
            put(step);
            stretch = alone ? stretch + takes * 60 : 0;
            unprotected = Math.max(unprotected, stretch);
            screwed += goal.isPresent() && kind != Kind.LOCK ? 1 : 0;
            if (phase.ordinal() >= Phase.Id.SET.ordinal() && phase != Phase.Id.HAND_OVER) {
                heat += rehearsal.heat() * HELD * takes * 60;
            }
        }

        private Optional<String> holder(SteadyState state) {
            return rehearsal.unit.testPoints().stream()
                    .filter(t -> goal.map(g -> g.testPoint().equals(t.id()))
                            .orElse(expect.stream().anyMatch(e -> e.instrument().equals(t.id()))))
                    .flatMap(t -> state.limiterOf(t.line()).stream())
                    .findFirst();
        }
    }
}
