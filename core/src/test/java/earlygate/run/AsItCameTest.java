package earlygate.run;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.unit.PowerUnit;
import org.junit.jupiter.api.Test;

/** What the as-found step reads is what the record says of how the unit came. */
class AsItCameTest {
    private final PowerUnit unit = Units.read(Units.document("NH-04"));
    private final Steps nh = Steps.of(unit, Plans.asFound(unit));

    private Step step(String setting) {
        return nh.first(s -> s.demands(Demand.AS_FOUND)
                && s.setting().filter(setting::equals).isPresent());
    }

    private RunRecord.SettingRecord record(String setting) {
        return RunRecord.of(nh.state()).settings().stream()
                .filter(s -> s.setting().equals(setting))
                .findFirst()
                .orElseThrow();
    }

    /** Whatever it shows is taken: it is what was found, not what was asked. */
    @Test
    void itIsReadAndNeverFails() {
        Step cutOff = step("P1.compensator");
        nh.reads(cutOff, "GP", 151);
        assertThat(nh.judge(cutOff).missing()).isEmpty();
        assertThat(nh.advice(cutOff)).isEmpty();
        // 0.5 bar below the screw's place at deadhead, as everywhere on this pump.
        assertThat(record("P1.compensator").asFoundPa()).isCloseTo(151.5 * BAR, within(0.2 * BAR));
        assertThat(record("P1.compensator").asFoundFrom()).isEqualTo(RunRecord.AsFound.READ);
        assertThat(record("RV1").asFoundFrom()).isNotEqualTo(RunRecord.AsFound.READ);
    }

    /** A margin is the one gauge less the other, with what the stroke takes off added again. */
    @Test
    void aMarginIsBothGauges() {
        Step margin = step("P1.loadSense");
        double planned = margin.expect().get(0).value() - margin.expect().get(1).value();
        nh.reads(margin, "GP", 160);
        assertThat(record("P1.loadSense").asFoundFrom()).isNotEqualTo(RunRecord.AsFound.READ);
        nh.reads(margin, "GL", 145);
        double present = unit.setting("P1.loadSense").present();
        assertThat(record("P1.loadSense").asFoundPa()).isCloseTo(present + 15 * BAR - planned, within(1.0));
    }

    @Test
    void aScrewThatIsTurnedThereHasToGoBack() {
        Step cutOff = step("P1.compensator");
        nh.turns(cutOff, 0.25).reads(cutOff, "GP", 190);
        assertThat(nh.judge(cutOff).missing()).extracting(r -> r.code()).containsExactly("run.need.put-back-out");
    }
}
