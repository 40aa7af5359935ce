package earlygate.run;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Setting;
import earlygate.ladder.GapSchool;
import earlygate.plan.Expect;
import earlygate.plan.Plan;
import earlygate.plan.Planner;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every family's plan can be walked to a passed record, by somebody whose every reading is right. */
class EveryUnitsRunTest {
    private static RunState walk(PowerUnit unit, Plan plan) {
        List<RunEvent> log = new ArrayList<>();
        OptionalDouble warm = OptionalDouble.of(unit.fluid().middleOfBand());
        for (int i = 0; i < 400; i++) {
            RunState state = RunState.of(unit, plan, log);
            if (state.current().isEmpty() && state.waitingAt().isEmpty()) {
                return state;
            }
            if (state.waitingAt().isPresent()) {
                add(unit, plan, log, new HoldOpened(state.waitingAt().get().id().key()));
                continue;
            }
            Step step = state.current().orElseThrow();
            step.goal()
                    .filter(g -> g.turns() != 0)
                    .ifPresent(g -> add(
                            unit,
                            plan,
                            log,
                            new Turned(step.id(), step.setting().orElseThrow(), g.turns())));
            for (Expect e : step.expect()) {
                boolean crack = step.goal()
                        .filter(g -> g.way() == Step.Way.BACK_OUT_TO_CRACK)
                        .isPresent();
                add(
                        unit,
                        plan,
                        log,
                        crack
                                ? new Cracked(step.id(), e.value(), Source.TYPED, warm)
                                : new Reading(step.id(), e.instrument(), e.value(), Source.TYPED, warm));
            }
            add(unit, plan, log, new StepDone(step.id()));
        }
        throw new AssertionError("Never came to the end");
    }

    private static void add(PowerUnit unit, Plan plan, List<RunEvent> log, Body body) {
        assertThat(RunRules.refusal(RunState.of(unit, plan, log), body))
                .as("%s", body)
                .isEmpty();
        log.add(new RunEvent(log.size() + 1, Instant.EPOCH, "A", body));
    }

    @ParameterizedTest
    @ValueSource(strings = {"LG-07", "FB-02", "BP-11", "NH-04", "SW-03", "WD-05", "DR-09", "PL-01"})
    void aPlanLeadsToAPassedRecord(String tag) {
        PowerUnit unit = read(document(tag));
        RunState end = walk(unit, Planner.plan(unit, School.AUTO, GapSchool.DEFAULT));
        RunRecord record = RunRecord.of(end);
        assertThat(record.passed()).isTrue();
        // Whatever the gauge showed beside the setting, margin or override, the record says what was set.
        record.settings()
                .forEach(s -> assertThat(s.asLeftPa().orElseThrow())
                        .as(s.setting())
                        .isCloseTo(s.target().pressurePa(), within(s.target().tolerancePa() / 2)));
    }

    /** A screw turned all the way in says how it was found as well as one that was backed out. */
    @Test
    void asFoundByTheTurnsToEitherEnd() {
        PowerUnit unit = lg07(component("M1", "ratedPowerKw", 30));
        Plan plan = Planner.plan(unit, School.LEAD_WITH_RELIEF, GapSchool.DEFAULT);
        RunState end = walk(unit, plan);
        Setting compensator = unit.setting("P1.compensator");
        assertThat(end.position("P1.compensator")).isCloseTo(compensator.screw().travel(), within(1e-9));
        RunRecord.SettingRecord found = RunRecord.of(end).settings().stream()
                .filter(s -> s.setting().equals("P1.compensator"))
                .findFirst()
                .orElseThrow();
        assertThat(found.asFoundFrom()).isEqualTo(RunRecord.AsFound.BY_TURNS);
        // Nobody turned it down again in this walk: as found is as left less the turns it went in.
        double in = (compensator.screw().maxPa() - compensator.present())
                / compensator.screw().paPerTurn();
        assertThat(found.asFoundPa() / BAR)
                .isCloseTo(
                        160 - Math.round(in * 16) / 16.0 * compensator.screw().paPerTurn() / BAR, within(3.0));
    }
}
