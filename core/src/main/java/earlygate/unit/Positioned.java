package earlygate.unit;

import java.util.List;
import java.util.Map;

/** A valve that a lever or a solenoid puts in one of several positions. */
public sealed interface Positioned extends Component permits DirectionalValve, Section {
    /** By the names on the schematic. */
    List<String> positionNames();

    /** What the lever is marked with, by position, where the schematic says it. */
    Map<String, String> positionWords();

    default String word(String position) {
        return positionWords().getOrDefault(position, position);
    }

    /** Where it stands while nobody moves it. */
    String rest();

    /** The positions that somebody has to put it in. */
    default List<String> moved() {
        return positionNames().stream().filter(p -> !p.equals(rest())).toList();
    }
}
