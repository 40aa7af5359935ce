package earlygate.solve;

import earlygate.network.Network;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The model of one unit: its network, a solver, and the answers it gave. Every answer starts from the cold guess, so it
 * depends on the situation alone, never on what was asked before. Safe for several threads, which take turns.
 */
public final class Model {
    /** For a plan, which asks for the same situations again and again. */
    private static final int KEPT_FOR_A_SEARCH = 4000;
    /** For a run or a machine that is watched: it stays open for days, and each answer takes some kilobytes. */
    private static final int KEPT_FOR_DAYS = 100;

    private final PowerUnit unit;
    private final Network network;
    private final Solver solver;
    private final int mostKept;
    private final Map<Situation, Optional<SteadyState>> answers = new HashMap<>();

    private Model(PowerUnit unit, int mostKept) {
        this.unit = unit;
        this.network = new Network(unit);
        this.solver = new Solver(network);
        this.mostKept = mostKept;
    }

    /** For one calculation. */
    public static Model of(PowerUnit unit) {
        return new Model(unit, KEPT_FOR_A_SEARCH);
    }

    /** For a run or a watch: few answers are kept. */
    public static Model forDays(PowerUnit unit) {
        return new Model(unit, KEPT_FOR_DAYS);
    }

    public PowerUnit unit() {
        return unit;
    }

    public Network network() {
        return network;
    }

    /** The machine moving in time, without pressure at first; with arrays of its own. */
    public Transient inMotion() {
        return new Transient(network);
    }

    /** Empty where the situation has no steady state. */
    public synchronized Optional<SteadyState> solve(Situation s) {
        if (answers.size() > mostKept) {
            answers.clear();
        }
        return answers.computeIfAbsent(s, asked -> outcome(asked).answer());
    }

    /** The same with the reason where there is none; not kept. */
    public synchronized Outcome outcome(Situation s) {
        return solver.steady(network.conditions(s));
    }
}
