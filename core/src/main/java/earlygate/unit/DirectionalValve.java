package earlygate.unit;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Named positions, each tying pairs of lines. */
public record DirectionalValve(
        String id,
        Map<String, List<Path>> positions,
        String start,
        double ratedFlow,
        double ratedDrop,
        Map<String, String> positionWords)
        implements Positioned {
    public record Path(String from, String to) {}

    @Override
    public List<String> positionNames() {
        return List.copyOf(positions.keySet());
    }

    @Override
    public String rest() {
        return start;
    }

    /** To and fro on every path of every position. */
    @Override
    public List<Way> ways() {
        return positions.values().stream()
                .flatMap(List::stream)
                .flatMap(p -> Stream.of(new Way(p.from(), p.to(), false), new Way(p.to(), p.from(), false)))
                .toList();
    }
}
