package earlygate.planner.script;

import earlygate.planner.script.LoadSweep.At;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/**
 * Where a margin is worth reading: at about nine, six and three tenths of the most that flows while it has the pump, else at
 * three loads. Where that most flows at low loads and at high ones, at both: it must be the same.
 */
final class MarginPoints {
    private static final double[] SHARES = {0.9, 0.6, 0.3};
    private static final int LEAST = 3;
    /** Of the most that flows, what counts as the same. */
    private static final double SAME = 0.97;

    private MarginPoints() {}

    /** @param moving as the load is shut, three at least */
    static List<At> of(List<At> moving, ToDoubleFunction<At> flow) {
        double most = moving.stream().mapToDouble(flow).max().orElseThrow();
        List<At> full =
                moving.stream().filter(a -> flow.applyAsDouble(a) > SAME * most).toList();
        List<At> chosen = Stream.concat(
                        Stream.of(full.get(0), full.get(full.size() - 1)),
                        Stream.of(SHARES[0], SHARES[1], SHARES[2]).map(share -> nearest(moving, flow, share * most)))
                .distinct()
                .sorted(Comparator.comparingDouble((At a) -> -a.opening()))
                .toList();
        return chosen.size() >= LEAST
                ? chosen
                : List.of(moving.get(0), moving.get(moving.size() / 2), moving.get(moving.size() - 1));
    }

    private static At nearest(List<At> moving, ToDoubleFunction<At> flow, double wanted) {
        return moving.stream()
                .min(Comparator.comparingDouble(a -> Math.abs(flow.applyAsDouble(a) - wanted)))
                .orElseThrow();
    }
}
