package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;

import earlygate.quantity.Si;
import earlygate.server.api.Wire;
import earlygate.solve.Recording;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A machine followed through time, in the units of the calculation API.
 *
 * @param timesS one per sample
 * @param oilC by sample; the tank takes all heat and loses none
 * @param lines bar by line
 * @param components by id and figure, see {@link Figures}
 */
record Series(
        List<Double> timesS,
        List<Double> oilC,
        Map<String, List<Double>> lines,
        Map<String, Map<String, List<Object>>> components) {
    static Series of(Recording recording) {
        Series series = new Series(new ArrayList<>(), new ArrayList<>(), new LinkedHashMap<>(), new LinkedHashMap<>());
        recording.samples().forEach(series::add);
        return series;
    }

    private void add(Recording.Sample s) {
        timesS.add(Wire.figure(s.timeS()));
        oilC.add(Wire.figure(s.oil() - Si.ZERO_C));
        s.pressures()
                .forEach((id, pa) ->
                        lines.computeIfAbsent(id, k -> new ArrayList<>()).add(Wire.figure(pa / BAR)));
        s.components()
                .forEach((id, state) -> Figures.of(state)
                        .forEach((key, value) -> components
                                .computeIfAbsent(id, k -> new LinkedHashMap<>())
                                .computeIfAbsent(key, k -> new ArrayList<>())
                                .add(value)));
    }
}
