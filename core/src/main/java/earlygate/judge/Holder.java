package earlygate.judge;

import earlygate.network.Network;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.Electric;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Who has a gauge at the readings as they are: of every valve and control that could hold it, where it would have to stand
 * to make the gauge read what it reads, what every other instrument would then show, and how likely that is by how far it
 * stands from where it should and how far the other readings are from it. SI. Source: Bayes over the model's balances.
 *
 * @param standsPa where it would stand
 * @param shows what the other instruments would show, by test point and driver
 */
public record Holder(String setting, double standsPa, double misfit, Map<String, Double> shows) {
    private static final int HALVINGS = 24;
    /** A limiter that was left alone stands within so much of where it should, and so many Pa. */
    private static final double ASTRAY = 0.12;

    private static final double ASTRAY_PA = 5e5;
    /** Of what the model says of another instrument, what it may be wrong by. */
    private static final double MODEL = 0.05;

    private static final double MODEL_A = 0.5;
    /** A gauge that moves by less than this from end to end of a screw, Pa, does not follow it. */
    private static final double FOLLOWS_PA = 2e5;

    /**
     * The likeliest first.
     *
     * @param own setting that is turned in this situation
     * @param gauge test point that reads {@code reads}
     * @param others what other instruments read at the same time, by test point and driver
     */
    public static List<Holder> of(
            PowerUnit unit, Situation situation, String own, String gauge, double reads, Map<String, Double> others) {
        Machine machine = new Machine(unit, gauge);
        List<Holder> holders = new ArrayList<>();
        for (Setting s : unit.settings()) {
            if (!s.isPressure()) {
                continue;
            }
            boolean itself = s.id().equals(own);
            // Whoever else has it, the screw at hand is out of its way.
            Situation free = itself
                    ? situation
                    : situation.withSetting(own, unit.setting(own).screw().maxPa());
            machine.standing(free, s, reads)
                    .ifPresent(at -> machine.solve(free.withSetting(s.id(), at))
                            .filter(state -> state.limiterOf(machine.line)
                                    .map(holder -> holder.equals(s.id()))
                                    .orElse(true))
                            .ifPresent(state -> holders.add(holder(unit, situation, s, itself, at, state, others))));
        }
        return holders.stream()
                .sorted(Comparator.comparingDouble(Holder::misfit))
                .toList();
    }

    private static Holder holder(
            PowerUnit unit,
            Situation situation,
            Setting s,
            boolean itself,
            double at,
            SteadyState state,
            Map<String, Double> others) {
        double should = situation.settings().getOrDefault(s.id(), s.present());
        double astray = itself ? 0 : (at - should) / (ASTRAY * should + ASTRAY_PA);
        double misfit = astray * astray;
        Map<String, Double> shows = shows(unit, state);
        for (Map.Entry<String, Double> o : others.entrySet()) {
            if (shows.containsKey(o.getKey())) {
                double off = (o.getValue() - shows.get(o.getKey())) / doubt(unit, o.getKey(), shows.get(o.getKey()));
                misfit += off * off;
            }
        }
        return new Holder(s.id(), at, misfit, shows);
    }

    private static Map<String, Double> shows(PowerUnit unit, SteadyState state) {
        Map<String, Double> shows = new LinkedHashMap<>();
        unit.testPoints().forEach(t -> shows.put(t.id(), state.pressure(t.line())));
        unit.all(Electric.class)
                .forEach(m -> shows.put(m.id(), state.driver(m.id()).current()));
        return shows;
    }

    /** By how much an instrument may be off what the model says it shows. */
    public static double doubt(PowerUnit unit, String instrument, double shows) {
        return unit.findTestPoint(instrument)
                .map(t -> t.errorPa() + MODEL * shows)
                .orElse(MODEL_A + MODEL * shows);
    }

    /** Where a setting would have to stand; empty where the gauge can't come to that by it. */
    private static final class Machine {
        private final Network network;
        private final Solver solver;
        private final String line;

        Machine(PowerUnit unit, String gauge) {
            network = new Network(unit);
            solver = new Solver(network);
            TestPoint at = unit.testPoint(gauge);
            line = at.line();
        }

        Optional<SteadyState> solve(Situation s) {
            return solver.steady(network.conditions(s)).answer();
        }

        private double reads(Situation s, String setting, double at) {
            return solve(s.withSetting(setting, at)).map(x -> x.pressure(line)).orElse(Double.NaN);
        }

        Optional<Double> standing(Situation s, Setting setting, double reads) {
            double low = setting.screw().minPa();
            double high = setting.screw().maxPa();
            double least = reads(s, setting.id(), low);
            double most = reads(s, setting.id(), high);
            if (!(least <= reads && reads <= most && most - least > FOLLOWS_PA)) {
                return Optional.empty();
            }
            for (int i = 0; i < HALVINGS; i++) {
                double middle = (low + high) / 2;
                double there = reads(s, setting.id(), middle);
                if (Double.isNaN(there)) {
                    return Optional.empty();
                }
                if (there < reads) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return Optional.of((low + high) / 2);
        }
    }
}
