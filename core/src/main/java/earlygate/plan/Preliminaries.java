package earlygate.plan;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.Fluid;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Setting;
import earlygate.circuit.Target;
import earlygate.plan.Planner.PumpLine;
import earlygate.plan.Step.Goal;
import earlygate.plan.Step.Kind;
import earlygate.plan.Step.Way;

/** Phases 1 to 5: everything up to warm oil at low pressure. */
final class Preliminaries {
    /** Oil in a hall before work, for the estimate of warming time only. */
    private static final double HALL = 18 + ZERO_C;

    private final PowerUnit unit;
    private final PumpLine line;
    private final ElectricMotor motor;
    private final Draft draft;
    private final Readings readings;

    Preliminaries(PowerUnit unit, PumpLine line, ElectricMotor motor, Draft draft, Readings readings) {
        this.unit = unit;
        this.line = line;
        this.motor = motor;
        this.draft = draft;
        this.readings = readings;
    }

    void paper() {
        draft.phase(Phase.Id.PAPER);
        draft.step(
                        Kind.CHECK,
                        of("plan.schematic")
                                .name("number", unit.drawing().number())
                                .name("revision", unit.drawing().revision()))
                .why(of("plan.why.schematic"))
                .minutes(5)
                .add();
        for (Target t : unit.targets()) {
            draft.step(
                            Kind.CHECK,
                            of("plan.target")
                                    .name("setting", t.setting())
                                    .pressure("target", t.pressurePa())
                                    .pressure("tolerance", t.tolerancePa()))
                    .why(of("plan.why.target"))
                    .add();
        }
        draft.step(
                        Kind.CHECK,
                        of("plan.instruments")
                                .name("gauge", line.gauge().id())
                                .pressure("range", line.gauge().rangePa())
                                .number("class", line.gauge().accuracyClass())
                                .pressure("error", line.gauge().errorPa())
                                .name("motor", motor.id()))
                .why(of("plan.why.instruments"))
                .tool(tools())
                .minutes(5)
                .add();
    }

    private String tools() {
        return String.join(
                " · ",
                unit.settings().stream()
                        .map(s -> s.screw().wrench())
                        .filter(w -> !w.isEmpty())
                        .distinct()
                        .toList());
    }

    void makeSafe() {
        draft.phase(Phase.Id.MAKE_SAFE);
        draft.step(Kind.CHECK, of("plan.lock-out").name("motor", motor.id()))
                .why(of("plan.why.lock-out"))
                .caution("lock-out", "stored-pressure")
                .minutes(5)
                .add();
        draft.step(Kind.CHECK, of("plan.block-load"))
                .why(of("plan.why.block-load"))
                .caution("loads")
                .minutes(5)
                .add();
        draft.step(Kind.TEST, of("plan.prove-zero").name("gauge", line.gauge().id()))
                .why(of("plan.why.prove-zero"))
                .expect(readings.zero())
                .ifNot(of("plan.if-not.pressure-left"))
                .caution("injection", "stored-pressure")
                .minutes(2)
                .add();
    }

    void beforeStart() {
        draft.phase(Phase.Id.BEFORE_START);
        draft.step(
                        Kind.CHECK,
                        of("plan.oil")
                                .name("oil", unit.fluid().name())
                                .number("litres", unit.fluid().tankVolume() * 1000)
                                .name("cleanliness", unit.fluid().cleanlinessTarget()))
                .why(of("plan.why.oil"))
                .minutes(5)
                .add();
        draft.step(Kind.CHECK, of("plan.suction").name("pump", line.pump().id()))
                .why(of("plan.why.suction"))
                .caution("suction")
                .minutes(2)
                .add();
        draft.step(Kind.CHECK, of("plan.case").name("pump", line.pump().id()))
                .why(of("plan.why.case"))
                .caution("empty-case")
                .minutes(5)
                .add();
        draft.step(
                        Kind.MOVE_GAUGE,
                        of("plan.fit-gauge")
                                .name("gauge", line.gauge().id())
                                .name("line", line.line())
                                .pressure("range", line.gauge().rangePa()))
                .why(of("plan.why.fit-gauge"))
                .caution("oxygen", "rated-parts")
                .minutes(5)
                .add();
        draft.step(
                        Kind.CHECK,
                        of("plan.supply")
                                .name("motor", motor.id())
                                .number("volts", motor.voltage())
                                .current("rated", motor.ratedCurrent()))
                .why(of("plan.why.supply"))
                .caution("coupling")
                .minutes(3)
                .add();
        out(unit.setting(line.pump().compensatorId()));
        out(unit.setting(line.relief().id()));
        draft.step(
                        Kind.START_POSITION,
                        of("plan.open-load").name("throttle", line.load().id()))
                .why(of("plan.why.open-load"))
                .minutes(1)
                .add();
    }

    private void out(Setting s) {
        double turns = Math.round((s.present() - s.screw().minPa()) / s.screw().paPerTurn() * 16) / 16.0;
        draft.machine.go(draft.machine.situation.withSetting(s.id(), s.screw().minPa()));
        draft.step(Kind.START_POSITION, of("plan.back-out").name("setting", s.id()))
                .why(of("plan.why.back-out")
                        .name("setting", s.id())
                        .turns("turns", Math.max(0, turns))
                        .pressure("present", s.present()))
                .setting(s.id())
                .goal(new Goal(Way.TO_THE_END, line.gauge().id(), 0, 0, 0, -Math.max(0, turns)))
                .caution("thread")
                .minutes(3)
                .add();
    }

    void firstStart() {
        draft.phase(Phase.Id.FIRST_START);
        draft.step(
                        Kind.CHECK,
                        of("plan.jog")
                                .name("motor", motor.id())
                                .name("rotation", line.pump().rotation()))
                .why(of("plan.why.jog"))
                .caution("coupling", "suction")
                .people(2)
                .minutes(3)
                .add();
        Machine m = draft.machine;
        m.go(m.situation.withDriver(motor.id(), true).withOpening(line.load().id(), 1));
        draft.step(
                        Kind.TEST,
                        of("plan.flush")
                                .name("motor", motor.id())
                                .name("throttle", line.load().id()))
                .why(of("plan.why.flush"))
                .expect(readings.roughly())
                .expect(readings.current())
                .ifNot(of("plan.if-not.no-pressure"), of("plan.if-not.rattle"), of("plan.if-not.current-high"))
                .caution("injection", "rotation-stop")
                .minutes(6)
                .add();
        draft.step(Kind.CHECK, of("plan.leak-walk"))
                .why(of("plan.why.leak-walk"))
                .caution("injection")
                .minutes(3)
                .add();
    }

    void warmUp() {
        draft.phase(Phase.Id.WARM_UP);
        Machine m = draft.machine;
        m.go(m.situation.withOpening(line.load().id(), 0));
        Fluid f = unit.fluid();
        double seconds = m.heat() > 0 ? f.heatCapacity() * (f.bandLow() - HALL) / m.heat() : 0;
        draft.step(
                        Kind.TEST,
                        of("plan.warm-up").name("throttle", line.load().id()).temperature("low", f.bandLow()))
                .why(of("plan.why.warm-up")
                        .power("heat", m.heat())
                        .temperature("high", f.bandHigh())
                        .time("time", seconds))
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.slow-warm"))
                .caution("hot")
                .minutes(Math.max(1, Math.round(seconds / 60)))
                .add();
    }
}
