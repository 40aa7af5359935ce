package earlygate.target;

import earlygate.explain.Reason;
import earlygate.gauge.Arrangement;
import earlygate.gauge.GaugeSearch;
import earlygate.gauge.SheetState;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What every fitted instrument must read for every setting.
 *
 * @param settings in the order of the circuit
 * @param missing settings without a target that nothing on the sheet lets be derived
 */
public record TargetSheet(List<Entry> settings, List<String> missing) {
    /**
     * @param derived the schematic gives none; {@code from} then says where it comes from
     * @param reads empty where no gauge shows it; {@code trouble} then says so
     */
    public record Entry(
            Target target, boolean derived, Optional<Reason> from, List<Read> reads, Optional<Reason> trouble) {}

    /**
     * What an instrument reads with the setting at its target, Pa, and at the ends of its tolerance.
     *
     * @param raised other settings that must stand higher meanwhile
     */
    public record Read(
            TestPoint testPoint, double value, double low, double high, Situation situation, List<String> raised) {}

    /** @param measured settings as they were really measured, Pa, such as a standby; they shift what others read */
    public static TargetSheet of(PowerUnit drawn, GapSchool gaps, Map<String, Double> measured) {
        Map<String, Derivation.Derived> derived = Derivation.of(drawn, gaps);
        PowerUnit unit = Derivation.completed(drawn, gaps);
        GaugeSearch search = new GaugeSearch(Model.of(unit));
        Situation base = SheetState.targets(unit);
        for (Map.Entry<String, Double> m : measured.entrySet()) {
            base = base.withSetting(m.getKey(), m.getValue());
        }
        List<Entry> entries = new ArrayList<>();
        List<String> missing = new ArrayList<>();
        for (Setting s : unit.settings()) {
            Optional<Target> target = unit.target(s.id());
            if (target.isEmpty()) {
                if (s.isPressure()) {
                    missing.add(s.id());
                }
                continue;
            }
            Optional<Derivation.Derived> d = Optional.ofNullable(derived.get(s.id()));
            List<Read> reads = new Reader(unit, search, target.get()).reads(base);
            entries.add(new Entry(
                    target.get(),
                    d.isPresent(),
                    d.map(Derivation.Derived::from),
                    reads,
                    reads.isEmpty()
                            ? Optional.of(Reason.of("target.not-seen")
                                    .name("setting", s.id())
                                    .name("line", s.line()))
                            : Optional.empty()));
        }
        return new TargetSheet(entries, missing);
    }

    /** One setting on the instruments that show it. */
    private record Reader(PowerUnit unit, GaugeSearch search, Target target) {
        List<Read> reads(Situation base) {
            Optional<Situation> crack = crack(base);
            Optional<Arrangement> reach = crack.isPresent()
                    ? Optional.empty()
                    : search.find(
                            target.setting(),
                            base.withSetting(target.setting(), search.settingFor(target, base, any -> true)),
                            any -> true);
            if (crack.isPresent()) {
                return atCrack(crack.get());
            }
            return reach.map(this::around).orElse(List.of());
        }

        /**
         * A relief set by its crack behind a compensated pump: the pump holds the line at the relief's target without
         * flow; the gauge shows the target itself.
         */
        private Optional<Situation> crack(Situation base) {
            if (target.defined() != Target.Defined.CRACKING
                    || !(unit.partOf(target.setting()) instanceof ReliefValve relief)) {
                return Optional.empty();
            }
            return unit.pumpsInto(relief.inlet()).stream()
                    .filter(p -> p.compensator().isPresent())
                    .filter(p -> p.compensator().get().screw().maxPa() > target.pressurePa())
                    .findFirst()
                    .flatMap(p -> held(p, relief, base));
        }

        private Optional<Situation> held(Pump pump, ReliefValve relief, Situation base) {
            double cutOff = target.pressurePa();
            for (int i = 0; i < 3; i++) {
                Situation s =
                        base.withSetting(relief.id(), relief.screw().maxPa()).withSetting(pump.compensatorId(), cutOff);
                Optional<Arrangement> reach = search.find(pump.compensatorId(), s, none -> false);
                if (reach.isEmpty()) {
                    return Optional.empty();
                }
                if (i == 2) {
                    return Optional.of(reach.get().situation().withSetting(relief.id(), target.pressurePa()));
                }
                cutOff += target.pressurePa() - reach.get().state().pressure(pump.outlet());
            }
            return Optional.empty();
        }

        private List<Read> atCrack(Situation s) {
            return unit.gaugesOn(unit.setting(target.setting()).line()).stream()
                    .map(t -> new Read(
                            t,
                            target.pressurePa(),
                            target.pressurePa() - target.tolerancePa(),
                            target.pressurePa() + target.tolerancePa(),
                            s,
                            List.of()))
                    .toList();
        }

        private List<Read> around(Arrangement reach) {
            Situation s = reach.situation();
            double at = s.settings().get(target.setting());
            Optional<SteadyState> low =
                    search.model().solve(s.withSetting(target.setting(), at - target.tolerancePa()));
            Optional<SteadyState> high =
                    search.model().solve(s.withSetting(target.setting(), at + target.tolerancePa()));
            if (low.isEmpty() || high.isEmpty()) {
                return List.of();
            }
            Set<TestPoint> gauges = new LinkedHashSet<>(reach.gauges());
            signal().ifPresent(line -> gauges.addAll(unit.gaugesOn(line)));
            return gauges.stream()
                    .map(t -> {
                        double a = low.get().pressure(t.line());
                        double b = high.get().pressure(t.line());
                        return new Read(
                                t, reach.state().pressure(t.line()), Math.min(a, b), Math.max(a, b), s, reach.raised());
                    })
                    .toList();
        }

        /** A margin is the difference to its signal line's gauge, which is read with it. */
        private Optional<String> signal() {
            return unit.all(Pump.class).stream()
                    .filter(p -> p.loadSenseId().equals(target.setting()))
                    .flatMap(p -> p.loadSense().stream())
                    .map(Pump.LoadSense::signal)
                    .findFirst();
        }
    }
}
