package earlygate.server.calc;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.server.api.Input;
import earlygate.server.calc.CalcController.Vary;
import earlygate.server.words.ApiProblem;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import earlygate.unit.file.SituationFile;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;

/** One thing of a situation moved evenly from one value to another, each point solved from the last. */
final class Sweep {
    private static final int MOST_POINTS = 2000;

    private Sweep() {}

    static List<Outcome> of(PowerUnit unit, Situation situation, Vary vary) {
        if (vary == null || vary.path() == null) {
            throw ApiProblem.badInput("vary", Reason.of("file.missing-key").name("key", "vary"));
        }
        int points = (int) Input.inRange("vary.points", (double) vary.points(), 1, 1, MOST_POINTS);
        Network network = new Network(unit);
        Conditions conditions = network.conditions(situation);
        DoubleConsumer put = handle(unit, conditions, vary);
        Solver solver = new Solver(network);
        List<Outcome> outcomes = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            put.accept(points == 1 ? vary.from() : vary.from() + (vary.to() - vary.from()) * i / (points - 1));
            outcomes.add(i == 0 ? solver.steady(conditions) : solver.next(conditions));
        }
        return outcomes;
    }

    private static DoubleConsumer handle(PowerUnit unit, Conditions c, Vary vary) {
        String path = vary.path();
        String id = path.substring(path.indexOf('.') + 1);
        if (path.equals("oilC")) {
            range(vary, -40, 120);
            return t -> c.oil(t + ZERO_C);
        }
        if (path.startsWith("openings.") && unit.all(Throttle.class).stream().anyMatch(t -> t.id().equals(id))) {
            range(vary, 0, 1);
            return u -> c.opening(id, u);
        }
        if (path.startsWith("settings.") && unit.settings().stream().anyMatch(s -> s.id().equals(id))) {
            range(vary, 0, 1000);
            double factor = SituationFile.factor(unit, id);
            return v -> c.setting(id, v * factor);
        }
        throw ApiProblem.badInput("vary.path", Reason.of("situation.unknown").name("id", path));
    }

    private static void range(Vary vary, double min, double max) {
        Input.inRange("vary.from", vary.from(), min, min, max);
        Input.inRange("vary.to", vary.to(), min, min, max);
    }
}
