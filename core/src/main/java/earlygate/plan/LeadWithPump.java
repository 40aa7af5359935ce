package earlygate.plan;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Screw;
import earlygate.circuit.Situation;
import earlygate.circuit.Target;
import earlygate.explain.Reason;
import earlygate.plan.Planner.PumpLine;
import earlygate.plan.Step.Goal;
import earlygate.plan.Step.Kind;
import earlygate.plan.Step.Way;
import earlygate.solve.SteadyState;
import java.util.List;

/**
 * Lead with the pump: compensator proved low, relief all the way in, compensator up to the relief's target at deadhead,
 * relief out until it just cracks, lock, compensator down to its own target. Little heat and motor load; between relief
 * in and crack the compensator stands alone.
 */
final class LeadWithPump {
    /** A screw moved to prove that the gauge answers. */
    private static final double PROOF_TURN = 0.25;

    private final PowerUnit unit;
    private final PumpLine line;
    private final ElectricMotor motor;
    private final Readings readings;
    private final String compensator;
    private final String relief;
    private final Screw compensatorScrew;
    private final Screw reliefScrew;
    private final double limit;
    private final Draft draft;

    LeadWithPump(PowerUnit unit, PumpLine line) {
        this.unit = unit;
        this.line = line;
        motor = (ElectricMotor) unit.driverOf(line.pump());
        compensator = line.pump().compensatorId();
        relief = line.relief().id();
        compensatorScrew = unit.setting(compensator).screw();
        reliefScrew = line.relief().screw();
        limit = unit.weakest(line.line()).pressurePa();
        Situation still = Situation.AS_THE_FILE
                .withDriver(motor.id(), false)
                .withOpening(line.load().id(), 0);
        draft = new Draft(new Machine(unit, still));
        readings = new Readings(unit, draft.machine, line.gauge(), motor);
    }

    Plan plan() {
        Preliminaries before = new Preliminaries(unit, line, motor, draft, readings);
        before.paper();
        before.makeSafe();
        before.beforeStart();
        before.firstStart();
        before.warmUp();
        set();
        lock();
        Closing after = new Closing(unit, line, motor, draft, readings);
        after.verify();
        after.handOver();
        Machine m = draft.machine;
        Reason why = why();
        if (!m.refused.isEmpty()) {
            return new Plan(School.LEAD_WITH_PUMP, why, List.of(), List.of(), m.refused);
        }
        return new Plan(
                School.LEAD_WITH_PUMP,
                why,
                draft.phases(),
                List.of(draft.comparison(School.LEAD_WITH_PUMP)),
                List.of());
    }

    /** What the other way, full flow over the relief, would ask of the motor. */
    private Reason why() {
        double full = line.relief()
                .fullFlowPressure(line.cracking().pressurePa(), line.pump().displacement() * motor.syncSpeed());
        Situation at = Situation.AS_THE_FILE
                .withSetting(
                        compensator,
                        full + line.pump().compensator().orElseThrow().bandPa())
                .withPressure(line.line(), full);
        SteadyState s = draft.machine.solved(at);
        double load = s == null ? 0 : s.driver(motor.id()).load();
        return of(load > motor.serviceFactor() ? "plan.why.motor-too-small" : "plan.why.less-heat")
                .name("motor", motor.id())
                .name("relief", relief)
                .ratio("load", load)
                .ratio("limit", motor.serviceFactor())
                .pressure("fullFlow", full);
    }

    private void set() {
        draft.phase(Phase.Id.SET);
        proveCompensator();
        reliefIn();
        compensatorUp();
        reliefToCrack();
        compensatorDown();
    }

    private void proveCompensator() {
        Machine m = draft.machine;
        // High enough that the compensator keeps the gauge through its quarter turn.
        double clear = reliefScrew.clamp(
                compensatorScrew.minPa() + 2 * PROOF_TURN * compensatorScrew.paPerTurn() + GAP_AT_START);
        double turns = sixteenths((clear - reliefScrew.minPa()) / reliefScrew.paPerTurn());
        m.go(m.situation.withOpening(line.load().id(), 0).withSetting(relief, clear));
        draft.step(
                        Kind.START_POSITION,
                        of("plan.relief-clear").name("relief", relief).turns("turns", turns))
                .why(of("plan.why.relief-clear")
                        .name("compensator", compensator)
                        .name("relief", relief)
                        .pressure("stands", readings.gauge()))
                .setting(relief)
                .goal(new Goal(Way.COUNT_TURNS, line.gauge().id(), readings.gauge(), 0, limit, turns))
                .expect(readings.roughly())
                .ifNot(of("plan.if-not.keeps-rising").name("compensator", compensator), of("plan.if-not.no-pressure"))
                .caution("injection", "adjuster-only")
                .minutes(3)
                .add();
        double raised = compensatorScrew.minPa() + PROOF_TURN * compensatorScrew.paPerTurn();
        m.go(m.situation.withSetting(compensator, raised));
        draft.step(
                        Kind.CHECK,
                        of("plan.prove-compensator")
                                .name("compensator", compensator)
                                .turns("turns", PROOF_TURN)
                                .pressure("stands", readings.gauge()))
                .why(of("plan.why.prove-compensator"))
                .setting(compensator)
                .goal(new Goal(Way.COUNT_TURNS, line.gauge().id(), readings.gauge(), 0, limit, PROOF_TURN))
                .expect(readings.pressure(PROOF_TURN * compensatorScrew.paPerTurn()))
                .ifNot(of("plan.if-not.stands-still").name("relief", relief), of("plan.if-not.no-pressure"))
                .caution("injection")
                .minutes(3)
                .add();
    }

    private static final double GAP_AT_START = 25 * BAR;

    private void reliefIn() {
        Machine m = draft.machine;
        double turns = sixteenths((reliefScrew.maxPa() - m.situation.settings().get(relief)) / reliefScrew.paPerTurn());
        m.go(m.situation.withSetting(relief, reliefScrew.maxPa()));
        draft.step(Kind.START_POSITION, of("plan.relief-in").name("relief", relief))
                .why(of("plan.why.relief-in").name("relief", relief).turns("turns", turns))
                .setting(relief)
                .goal(new Goal(Way.TO_THE_END, line.gauge().id(), readings.gauge(), 0, limit, turns))
                .expect(readings.pressure(PROOF_TURN * compensatorScrew.paPerTurn()))
                .ifNot(of("plan.if-not.relief-moves-gauge")
                        .name("relief", relief)
                        .name("compensator", compensator))
                .unprotected()
                .caution("adjuster-only")
                .minutes(2)
                .add();
    }

    private void compensatorUp() {
        Machine m = draft.machine;
        Target t = line.cracking();
        m.go(m.situation.withSetting(compensator, t.pressurePa()));
        m.proveOvershoot(compensator, t.pressurePa());
        draft.step(
                        Kind.START_POSITION,
                        of("plan.compensator-up")
                                .name("compensator", compensator)
                                .name("relief", relief)
                                .pressure("target", t.pressurePa()))
                .why(of("plan.why.compensator-up").name("relief", relief))
                .setting(compensator)
                .goal(goal(Way.TURN_TO_READING, t))
                .expect(readings.pressure(t))
                .ifNot(
                        of("plan.if-not.stands-still").name("relief", relief),
                        of("plan.if-not.value-not-passed"),
                        of("plan.if-not.no-pressure"))
                .unprotected()
                .caution("injection", "adjuster-only", "hot")
                .people(2)
                .minutes(8)
                .add();
    }

    private void reliefToCrack() {
        Machine m = draft.machine;
        Target t = line.cracking();
        m.go(m.situation.withSetting(relief, t.pressurePa()));
        m.proveOvershoot(relief, t.pressurePa());
        draft.step(
                        Kind.SET,
                        of("plan.relief-crack")
                                .name("relief", relief)
                                .name("compensator", compensator)
                                .pressure("target", t.pressurePa()))
                .why(of("plan.why.relief-crack")
                        .name("relief", relief)
                        .name("compensator", compensator)
                        .pressure("target", t.pressurePa()))
                .setting(relief)
                .goal(goal(Way.BACK_OUT_TO_CRACK, t))
                .expect(readings.pressure(t))
                .ifNot(
                        of("plan.if-not.never-falls").name("relief", relief),
                        of("plan.if-not.falls-early").name("relief", relief))
                .unprotected()
                .caution("injection", "thread")
                .people(2)
                .minutes(8)
                .add();
        lockStep(relief, t, m);
    }

    private void compensatorDown() {
        Machine m = draft.machine;
        Target t = line.compensator();
        m.go(m.situation.withSetting(compensator, t.pressurePa()));
        m.proveOvershoot(compensator, t.pressurePa());
        draft.step(
                        Kind.SET,
                        of("plan.compensator-down")
                                .name("compensator", compensator)
                                .pressure("target", t.pressurePa()))
                .why(of("plan.why.compensator-down")
                        .name("compensator", compensator)
                        .name("relief", relief))
                .setting(compensator)
                .goal(goal(Way.TURN_TO_READING, t))
                .expect(readings.pressure(t))
                .ifNot(of("plan.if-not.stands-still").name("relief", relief), of("plan.if-not.worn"))
                .caution("injection")
                .people(2)
                .minutes(6)
                .add();
    }

    private void lock() {
        draft.phase(Phase.Id.LOCK);
        lockStep(compensator, line.compensator(), draft.machine);
    }

    private void lockStep(String setting, Target t, Machine m) {
        boolean cap = setting.equals(relief) && line.relief().sealedByCap();
        draft.step(Kind.LOCK, of(cap ? "plan.lock-cap" : "plan.lock").name("setting", setting))
                .why(of("plan.why.lock"))
                .setting(setting)
                .goal(goal(Way.TURN_TO_READING, t))
                .expect(readings.pressure(t))
                .ifNot(of("plan.if-not.lock-moved").name("setting", setting))
                .caution("injection")
                .minutes(3)
                .add();
    }

    private Goal goal(Way way, Target t) {
        return new Goal(way, line.gauge().id(), t.pressurePa(), t.tolerancePa(), limit, 0);
    }

    private static double sixteenths(double turns) {
        return Math.round(turns * 16) / 16.0;
    }
}
