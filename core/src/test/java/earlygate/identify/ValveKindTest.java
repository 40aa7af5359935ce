package earlygate.identify;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.identify.Traits.Drain;
import earlygate.identify.Traits.Pilot;
import earlygate.identify.Traits.Place;
import earlygate.identify.Traits.Rest;
import earlygate.identify.Traits.Trait;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which kind a valve is, told from its pilot, how it rests, its drain and its place. */
class ValveKindTest {
    @ParameterizedTest
    @CsvSource({
        "OWN_INLET, CLOSED, false, INTERNAL, PUMP_LINE_TO_TANK, RELIEF",
        "REMOTE, CLOSED, false, INTERNAL, BESIDE_PUMP, UNLOADING",
        "OWN_INLET, CLOSED, true, EXTERNAL, BEFORE_ACTUATOR, SEQUENCE",
        "REMOTE, CLOSED, true, EXTERNAL, BEFORE_ACTUATOR, SEQUENCE",
        "OWN_INLET_AND_REMOTE, CLOSED, true, EXTERNAL, AFTER_ACTUATOR, COUNTERBALANCE",
        "OWN_OUTLET, OPEN, false, EXTERNAL, BEFORE_ACTUATOR, REDUCING",
        "OWN_OUTLET, OPEN, true, EXTERNAL, BEFORE_ACTUATOR, REDUCING"
    })
    void fiveTraitsNameTheValve(Pilot pilot, Rest rest, boolean check, Drain drain, Place place, ValveKind kind) {
        var matches = ValveKind.match(new Traits(pilot, rest, check, drain, place));
        assertThat(matches.get(0).kind()).isEqualTo(kind);
        assertThat(matches.get(0).contradictions()).isEmpty();
        assertThat(matches.get(1).contradictions()).as("no other fits").isNotEmpty();
    }

    /** Drawn as a relief, but its pilot comes from its own outlet and it is open at rest. */
    @ParameterizedTest
    @CsvSource({"RELIEF, 'PILOT,REST,DRAIN,PLACE'", "REDUCING, ''", "SEQUENCE, 'PILOT,REST,REVERSE_CHECK'"})
    void saysWhichTraitContradictsTheDeclaredType(ValveKind declared, String traits) {
        Traits seen = new Traits(Pilot.OWN_OUTLET, Rest.OPEN, false, Drain.EXTERNAL, Place.BEFORE_ACTUATOR);
        assertThat(declared.contradictions(seen))
                .extracting(Trait::name)
                .containsExactly(traits.isEmpty() ? new String[0] : traits.split(","));
    }
}
