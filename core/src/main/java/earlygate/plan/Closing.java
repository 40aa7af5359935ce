package earlygate.plan;

import static earlygate.explain.Reason.of;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Work;
import earlygate.plan.Planner.PumpLine;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.verify.ReturnTest;

/** Phases 8 and 9: the tests after locking, and handing over. */
final class Closing {
    private final PowerUnit unit;
    private final PumpLine line;
    private final ElectricMotor motor;
    private final Draft draft;
    private final Readings readings;

    Closing(PowerUnit unit, PumpLine line, ElectricMotor motor, Draft draft, Readings readings) {
        this.unit = unit;
        this.line = line;
        this.motor = motor;
        this.draft = draft;
        this.readings = readings;
    }

    void verify() {
        draft.phase(Phase.Id.VERIFY);
        for (int i = 1; i <= ReturnTest.TIMES; i++) {
            draft.step(
                            Kind.TEST,
                            of("plan.return")
                                    .number("time", i)
                                    .number("times", ReturnTest.TIMES)
                                    .name("throttle", line.load().id())
                                    .name("gauge", line.gauge().id()))
                    .why(of("plan.why.return").ratio("within", ReturnTest.WITHIN))
                    .setting(line.pump().compensatorId())
                    .tool("")
                    .expect(readings.pressure(line.compensator()))
                    .ifNot(of("plan.if-not.does-not-return"))
                    .caution("injection")
                    .minutes(1)
                    .add();
        }
        unit.work().stream().filter(w -> w.line().equals(line.line())).forEach(this::workingPoint);
        draft.step(Kind.TEST, of("plan.temperature"))
                .why(of("plan.why.temperature"))
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.hot"))
                .add();
    }

    /** The load opened until the gauge shows what the work needs; the motor must then draw what the model says. */
    private void workingPoint(Work w) {
        Machine m = draft.machine;
        double opening = openingFor(w.pressurePa());
        if (opening >= 1) {
            return;
        }
        var shut = m.situation;
        m.go(shut.withOpening(line.load().id(), opening));
        draft.step(
                        Kind.TEST,
                        of("plan.working-point")
                                .name("throttle", line.load().id())
                                .name("work", w.name())
                                .pressure("pressure", w.pressurePa())
                                .name("motor", motor.id()))
                .why(of("plan.why.working-point").name("motor", motor.id()))
                .expect(readings.pressure(w.pressurePa() * 0.05))
                .expect(readings.current())
                .ifNot(of("plan.if-not.current-high"), of("plan.if-not.worn"))
                .caution("injection", "hot")
                .minutes(1)
                .add();
        m.go(shut);
    }

    /** Pressure falls as the throttle opens, so bisection finds the opening. */
    private double openingFor(double pressurePa) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < 24; i++) {
            double mid = (low + high) / 2;
            SteadyState s = draft.machine.solved(
                    draft.machine.situation.withOpening(line.load().id(), mid));
            if (s != null && s.pressure(line.line()) > pressurePa) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return high;
    }

    void handOver() {
        draft.phase(Phase.Id.HAND_OVER);
        Machine m = draft.machine;
        m.go(m.situation.withDriver(motor.id(), false).withOpening(line.load().id(), 1));
        draft.step(
                        Kind.TEST,
                        of("plan.depressurise")
                                .name("motor", motor.id())
                                .name("throttle", line.load().id())
                                .name("gauge", line.gauge().id()))
                .why(of("plan.why.prove-zero"))
                .expect(readings.zero())
                .ifNot(of("plan.if-not.pressure-left"))
                .caution("stored-pressure", "lock-out")
                .minutes(2)
                .add();
        draft.step(
                        Kind.RESTORE,
                        of("plan.remove-gear").name("gauge", line.gauge().id()))
                .why(of("plan.why.remove-gear"))
                .caution("rated-parts")
                .minutes(5)
                .add();
        draft.step(Kind.RESTORE, of("plan.tag"))
                .why(of("plan.why.tag"))
                .minutes(5)
                .add();
    }
}
