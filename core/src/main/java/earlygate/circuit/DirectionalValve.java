package earlygate.circuit;

import java.util.List;
import java.util.Map;

/** Named positions, each tying pairs of lines. */
public record DirectionalValve(
        String id, Map<String, List<Path>> positions, String start, double ratedFlow, double ratedDrop)
        implements Component {
    public record Path(String from, String to) {}
}
