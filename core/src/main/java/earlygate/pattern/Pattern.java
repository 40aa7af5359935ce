package earlygate.pattern;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.databind.node.ObjectNode;

/** A kind of circuit that power units are built by. */
public interface Pattern {
    /** Its key; its name and what it is for stand under it. */
    String id();

    List<Question> questions();

    /** Answers of a unit such as is often built, as {@link Answers#values} reads them. */
    String often();

    /** The unit by which the pattern is shown. */
    default Answers example() {
        return new Answers("NEW", id(), Answers.values(often()));
    }

    /** @throws java.util.NoSuchElementException where a needed question is open */
    Sheet draw(Answers answers);

    /**
     * @param unit a unit file
     * @param assumed places in it that are rules of thumb, as {@code components.RV1.overrideBar}
     */
    record Sheet(ObjectNode unit, List<String> assumed) {}

    /** Needed questions that are open, in their order. */
    default List<Question> open(Answers answers) {
        return questions().stream()
                .filter(q -> q.needed() && !answers.has(q.key()))
                .toList();
    }

    /** In the order in which they are usually met. */
    List<Pattern> ALL = List.of(
            new CompensatedPump(),
            new FixedPump(),
            new HighLow(),
            new Charging(Charging.By.DIFFERENTIAL_VALVE),
            new Charging(Charging.By.DUMP_VALVE),
            new Charging(Charging.By.VENTED_RELIEF),
            new LoadSense(0),
            new LoadSense(1),
            new LoadSense(2),
            new LoadSense(3),
            new LoadSense(4),
            new LoadSense(5),
            new LoadSense(6),
            new ReducingBranch(),
            new SlewingMotor(),
            new TwinPumps(),
            new DcPack(),
            new PowerLimited());

    static Optional<Pattern> of(String id) {
        return ALL.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    /** Lists of questions one after the other. */
    @SafeVarargs
    static List<Question> all(List<Question>... parts) {
        return Stream.of(parts).flatMap(List::stream).toList();
    }
}
