package earlygate.judge;

import earlygate.curve.Bisection;
import earlygate.judge.Watch.CurrentScrew;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Electric;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

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
    /** Of two that differ by less in how well they fit, neither is said to have it: one in four is the other. */
    private static final double TELLS = 2;
    /** In squares of its doubts; what fits worse than by four of them says that something else is wrong. */
    private static final double FITS = 16;
    /** Of what a line stands at, where a valve of it passes nothing yet. */
    private static final double OUT_OF_THE_WAY = 1.05;
    /** A gauge that moves by less than this from end to end of a screw, Pa, does not follow it. */
    private static final double FOLLOWS_PA = 2e5;

    /**
     * The likeliest first.
     *
     * @param reads what its gauge reads
     * @param others what other instruments read at the same time, by test point and driver
     */
    public static List<Holder> of(Model model, CurrentScrew hand, double reads, Map<String, Double> others) {
        return of(model, hand, reads, others, Followed.Misfit.NONE);
    }

    /** @param followed what the last turns say for and against the screw at hand */
    static List<Holder> of(
            Model model, CurrentScrew hand, double reads, Map<String, Double> others, Followed.Misfit followed) {
        PowerUnit unit = model.unit();
        Machine machine = new Machine(model, hand.gauge());
        List<Setting> pressures =
                unit.settings().stream().filter(Setting::isPressure).toList();
        List<Holder> holders = new ArrayList<>();
        List<Setting> barred = new ArrayList<>();
        for (Setting s : pressures) {
            Optional<Holder> holder = machine.holder(hand, s, List.of(), reads, others);
            holder.ifPresentOrElse(holders::add, () -> barred.add(s));
        }
        // Who is kept from holding it by others that should stand lower has it where those stand higher.
        List<Setting> lower = holders.stream()
                .map(h -> unit.setting(h.setting()))
                .filter(s -> should(unit, hand, s) < OUT_OF_THE_WAY * reads)
                .toList();
        barred.forEach(s -> machine.holder(hand, s, lower, reads, others).ifPresent(holders::add));
        return holders.stream()
                .map(h -> h.worseBy(h.setting().equals(hand.setting()) ? followed.own() : followed.other()))
                .sorted(Comparator.comparingDouble(Holder::misfit))
                .toList();
    }

    private Holder worseBy(double more) {
        return new Holder(setting, standsPa, misfit + more, shows);
    }

    /** Of holders in their order, those that the readings don't tell apart from the first; none where even that fits badly. */
    static List<Holder> alike(List<Holder> holders) {
        return holders.stream()
                .filter(h -> h.misfit() < FITS && h.misfit() - holders.get(0).misfit() < TELLS)
                .toList();
    }

    /** By how much it stands elsewhere than it should, in what that is known to; the screw that is turned may stand anywhere. */
    private static double astray(PowerUnit unit, CurrentScrew hand, Setting s, double at) {
        if (s.id().equals(hand.setting())) {
            return 0;
        }
        double should = should(unit, hand, s);
        return (at - should) / (ASTRAY * should + ASTRAY_PA);
    }

    private static double should(PowerUnit unit, CurrentScrew hand, Setting s) {
        return unit.at(hand.situation()).setting(s.id());
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
        private final PowerUnit unit;
        private final Model model;
        private final String line;

        Machine(Model model, String gauge) {
            this.model = model;
            unit = model.unit();
            line = unit.testPoint(gauge).line();
        }

        /** @param lower others that stand out of its way, higher than they should */
        Optional<Holder> holder(
                CurrentScrew hand, Setting s, List<Setting> lower, double reads, Map<String, Double> others) {
            Situation free = hand.situation();
            double misfit = 0;
            for (Setting l : lower) {
                free = free.withSetting(l.id(), OUT_OF_THE_WAY * reads);
                misfit += square(astray(unit, hand, l, OUT_OF_THE_WAY * reads));
            }
            if (!s.id().equals(hand.setting())) {
                // Whoever else has it, the screw at hand is out of its way.
                free = free.withSetting(
                        hand.setting(), unit.setting(hand.setting()).screw().maxPa());
            }
            Optional<Double> at = standing(free, s, reads);
            Optional<SteadyState> state =
                    at.isEmpty() ? Optional.empty() : model.solve(free.withSetting(s.id(), at.get()));
            double before = misfit;
            return state.filter(
                            x -> x.limiterOf(line).map(h -> h.equals(s.id())).orElse(true))
                    .map(x -> {
                        Map<String, Double> shows = shows(unit, x);
                        double off = square(astray(unit, hand, s, at.get())) + off(shows, others);
                        return new Holder(s.id(), at.get(), before + off, shows);
                    });
        }

        private double off(Map<String, Double> shows, Map<String, Double> others) {
            return others.entrySet().stream()
                    .filter(o -> shows.containsKey(o.getKey()))
                    .mapToDouble(o -> square(
                            (o.getValue() - shows.get(o.getKey())) / doubt(unit, o.getKey(), shows.get(o.getKey()))))
                    .sum();
        }

        private static double square(double x) {
            return x * x;
        }

        private double reads(Situation s, String setting, double at) {
            return model.solve(s.withSetting(setting, at))
                    .map(x -> x.pressure(line))
                    .orElse(Double.NaN);
        }

        Optional<Double> standing(Situation s, Setting setting, double reads) {
            double low = setting.screw().minPa();
            double high = setting.screw().maxPa();
            double least = reads(s, setting.id(), low);
            double most = reads(s, setting.id(), high);
            if (!(least <= reads && reads <= most && most - least > FOLLOWS_PA)) {
                return Optional.empty();
            }
            return Bisection.zero(low, high, HALVINGS, at -> OptionalDouble.of(reads(s, setting.id(), at) - reads))
                    .map(Bisection::middle);
        }
    }
}
