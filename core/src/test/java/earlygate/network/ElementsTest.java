package earlygate.network;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.unit.Component;
import earlygate.unit.Pump;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** No kind of component is without its equations. */
class ElementsTest {
    private static Stream<Class<?>> kinds(Class<?> kind) {
        return kind.isSealed()
                ? Stream.of(kind.getPermittedSubclasses()).flatMap(ElementsTest::kinds)
                : Stream.of(kind);
    }

    /** A kind that is drawn and read but has no equations would fail only when somebody's unit has one. */
    @Test
    void everyKindHasItsEquations() {
        assertThat(kinds(Component.class))
                .hasSizeGreaterThan(15)
                .filteredOn(k -> k != Pump.class)
                .allMatch(Elements::knows);
    }
}
