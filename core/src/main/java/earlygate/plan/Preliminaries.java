package earlygate.plan;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.circuit.Accumulator;
import earlygate.circuit.DcMotor;
import earlygate.circuit.Driver;
import earlygate.circuit.ElectricMotor;
import earlygate.circuit.Engine;
import earlygate.circuit.Fluid;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.Setting;
import earlygate.circuit.Situation;
import earlygate.circuit.Target;
import earlygate.circuit.TestPoint;
import earlygate.plan.Step.Goal;
import earlygate.plan.Step.Kind;
import earlygate.plan.Step.Way;
import earlygate.quantity.Si;
import earlygate.solve.SteadyState;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;

/** Phases 1 to 5: everything up to warm oil at low pressure. */
final class Preliminaries {
    /** Oil in a hall before work, for the estimate of warming time only. */
    private static final double HALL = 18 + ZERO_C;

    private static final double LONGEST_WARM_UP = 240;

    private final Bench bench;
    private final PowerUnit unit;
    private final Draft draft;
    private final Readings readings;

    Preliminaries(Bench bench) {
        this.bench = bench;
        this.unit = bench.unit();
        this.draft = bench.draft();
        this.readings = bench.readings();
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
        for (TestPoint gauge : unit.testPoints()) {
            draft.step(
                            Kind.CHECK,
                            of("plan.instruments")
                                    .name("gauge", gauge.id())
                                    .pressure("range", gauge.rangePa())
                                    .number("class", gauge.accuracyClass())
                                    .pressure("error", gauge.errorPa()))
                    .why(of("plan.why.instruments"))
                    .tool(tools())
                    .minutes(2)
                    .add();
        }
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
        for (Driver d : bench.drivers()) {
            draft.step(Kind.CHECK, of("plan.lock-out").name("motor", d.id()))
                    .why(of("plan.why.lock-out"))
                    .caution("lock-out", "stored-pressure")
                    .minutes(5)
                    .add();
        }
        draft.step(Kind.CHECK, of("plan.block-load"))
                .why(of("plan.why.block-load"))
                .caution("loads")
                .minutes(5)
                .add();
        for (Accumulator a : unit.all(Accumulator.class)) {
            draft.step(
                            Kind.CHECK,
                            of("plan.drain-accumulator")
                                    .name("accumulator", a.id())
                                    .pressure("precharge", a.prechargePa()))
                    .why(of("plan.why.drain-accumulator"))
                    .caution("stored-pressure", "nitrogen")
                    .people(2)
                    .minutes(10)
                    .add();
        }
        for (TestPoint gauge : unit.testPoints()) {
            draft.step(Kind.TEST, of("plan.prove-zero").name("gauge", gauge.id()))
                    .why(of("plan.why.prove-zero"))
                    .expect(readings.zero(gauge))
                    .ifNot(of("plan.if-not.pressure-left"))
                    .caution("injection", "stored-pressure")
                    .minutes(2)
                    .add();
        }
    }

    void beforeStart(ToDoubleFunction<Setting> start) {
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
        for (Pump p : unit.all(Pump.class)) {
            draft.step(Kind.CHECK, of("plan.suction").name("pump", p.id()))
                    .why(of("plan.why.suction"))
                    .caution("suction")
                    .minutes(2)
                    .add();
            draft.step(Kind.CHECK, of("plan.case").name("pump", p.id()))
                    .why(of("plan.why.case"))
                    .caution("empty-case")
                    .minutes(5)
                    .add();
        }
        for (TestPoint gauge : unit.testPoints()) {
            draft.step(
                            Kind.MOVE_GAUGE,
                            of("plan.fit-gauge")
                                    .name("gauge", gauge.id())
                                    .name("line", gauge.line())
                                    .pressure("range", gauge.rangePa()))
                    .why(of("plan.why.fit-gauge"))
                    .caution("oxygen", "rated-parts")
                    .minutes(5)
                    .add();
        }
        bench.drivers().forEach(this::supply);
        for (Setting s : unit.settings()) {
            if (unit.target(s.id()).isPresent()) {
                begin(s, start.applyAsDouble(s));
            }
        }
        draft.step(
                        Kind.START_POSITION,
                        of("plan.open-load").name("throttle", bench.load().id()))
                .why(of("plan.why.open-load"))
                .minutes(1)
                .add();
    }

    private void supply(Driver d) {
        if (d instanceof Engine e) {
            draft.step(Kind.CHECK, of("plan.engine").name("engine", e.id()).number("rpm", Math.round(e.mid() / Si.RPM)))
                    .why(of("plan.why.engine"))
                    .caution("coupling")
                    .minutes(3)
                    .add();
            return;
        }
        double volts = d instanceof ElectricMotor m ? m.voltage() : ((DcMotor) d).voltage();
        double amps = d instanceof ElectricMotor m ? m.ratedCurrent() : ((DcMotor) d).ratedCurrent();
        draft.step(
                        Kind.CHECK,
                        of("plan.supply")
                                .name("motor", d.id())
                                .number("volts", volts)
                                .current("rated", amps))
                .why(of("plan.why.supply"))
                .caution("coupling")
                .minutes(3)
                .add();
    }

    /** To the end where the start position is one; what stays as it stands is only noted. */
    private void begin(Setting s, double at) {
        Machine m = bench.machine();
        m.go(m.situation.withSetting(s.id(), at));
        boolean out = at <= s.screw().minPa();
        boolean in = at >= s.screw().maxPa();
        if (!out && !in) {
            draft.step(Kind.CHECK, of("plan.leave").name("setting", s.id()).pressure("present", s.present()))
                    .why(of("plan.why.leave").name("setting", s.id()))
                    .add();
            return;
        }
        double turns = Bench.sixteenths(Math.abs(s.present() - at) / s.screw().paPerTurn());
        draft.step(
                        Kind.START_POSITION,
                        of(out ? "plan.back-out" : "plan.all-in").name("setting", s.id()))
                .why(of(out ? "plan.why.back-out" : "plan.why.all-in")
                        .name("setting", s.id())
                        .turns("turns", turns)
                        .pressure("present", s.present()))
                .setting(s.id())
                .goal(new Goal(Way.TO_THE_END, bench.gauge().id(), 0, 0, 0, out ? -turns : turns))
                .caution("thread")
                .minutes(3)
                .add();
    }

    void firstStart() {
        draft.phase(Phase.Id.FIRST_START);
        for (Driver d : bench.drivers()) {
            draft.step(
                            Kind.CHECK,
                            of(d instanceof Engine ? "plan.turn-engine" : "plan.jog")
                                    .name("motor", d.id())
                                    .name("rotation", rotation(d)))
                    .why(of("plan.why.jog"))
                    .caution("coupling", "suction")
                    .people(2)
                    .minutes(3)
                    .add();
        }
        Machine m = bench.machine();
        m.go(bench.loads(bench.running(m.situation), 1));
        draft.step(
                        Kind.TEST,
                        of("plan.flush")
                                .name("motor", bench.drivers().get(0).id())
                                .name("throttle", bench.load().id()))
                .why(of("plan.why.flush"))
                .expect(readings.roughly(bench.gauge()))
                .expect(readings.currents())
                .ifNot(of("plan.if-not.no-pressure"), of("plan.if-not.rattle"), of("plan.if-not.current-high"))
                .caution("injection", "rotation-stop")
                .onTime(bench.drivers())
                .minutes(6)
                .add();
        draft.step(Kind.CHECK, of("plan.leak-walk"))
                .why(of("plan.why.leak-walk"))
                .caution("injection")
                .minutes(3)
                .add();
    }

    private String rotation(Driver d) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.driver().equals(d.id()))
                .map(Pump::rotation)
                .filter(r -> !r.isEmpty())
                .findFirst()
                .orElse("as the arrow shows");
    }

    void warmUp() {
        draft.phase(Phase.Id.WARM_UP);
        Machine m = bench.machine();
        m.go(warmest(m));
        Fluid f = unit.fluid();
        double seconds = m.heat() > 0 ? f.heatCapacity() * Math.max(0, f.bandLow() - HALL) / m.heat() : 0;
        draft.step(
                        Kind.TEST,
                        of("plan.warm-up").name("throttle", bench.load().id()).temperature("low", f.bandLow()))
                .why(of("plan.why.warm-up")
                        .power("heat", m.heat())
                        .temperature("high", f.bandHigh())
                        .time("time", seconds))
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.slow-warm"))
                .caution("hot")
                .onTime(bench.drivers())
                .minutes(Math.max(1, Math.min(LONGEST_WARM_UP, Math.round(seconds / 60))))
                .add();
    }

    /** The load as far open as makes most heat, far below every rating and the motor's own. */
    private Situation warmest(Machine m) {
        Situation best = bench.loads(m.situation, 0);
        double most = 0;
        List<Situation> ways = new ArrayList<>();
        for (double opening : new double[] {0, 0.1, 0.3, 1}) {
            ways.add(bench.loads(m.situation, opening));
        }
        for (Situation s : ways) {
            SteadyState state = m.solved(s);
            double heat = state == null ? 0 : m.power(state);
            boolean low = state != null
                    && unit.lines().stream()
                            .allMatch(l -> state.pressure(l.id())
                                    < 0.7 * unit.weakest(l.id()).pressurePa());
            if (low && heat > most) {
                most = heat;
                best = s;
            }
        }
        return best;
    }
}
