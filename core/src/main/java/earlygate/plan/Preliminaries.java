package earlygate.plan;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.circuit.Accumulator;
import earlygate.circuit.Component;
import earlygate.circuit.DcMotor;
import earlygate.circuit.Driver;
import earlygate.circuit.ElectricMotor;
import earlygate.circuit.Engine;
import earlygate.circuit.Fluid;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.ReliefValve;
import earlygate.circuit.Setting;
import earlygate.circuit.Situation;
import earlygate.circuit.Target;
import earlygate.circuit.TestPoint;
import earlygate.circuit.Throttle;
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

    /** Everything let down and proved at zero on a gauge that is already there, or at a bleed; only then gauges go on. */
    void makeSafe() {
        draft.phase(Phase.Id.MAKE_SAFE);
        for (Driver d : bench.drivers()) {
            boolean pack = d instanceof DcMotor;
            draft.step(Kind.CHECK, of(pack ? "plan.clamp-off" : "plan.lock-out").name("motor", d.id()))
                    .why(of("plan.why.lock-out"))
                    .does("lock-out", d.id(), 1)
                    .caution("lock-out", "stored-pressure")
                    .minutes(5)
                    .add();
        }
        draft.step(Kind.CHECK, of("plan.block-load"))
                .why(of("plan.why.block-load"))
                .caution("loads")
                .minutes(5)
                .add();
        LetDown.write(bench);
        LetDown.proveZero(bench, "plan.prove-zero-on-line");
        for (Accumulator a : unit.all(Accumulator.class)) {
            draft.step(
                            Kind.CHECK,
                            of("plan.precharge").name("accumulator", a.id()).pressure("precharge", a.prechargePa()))
                    .why(of("plan.why.precharge"))
                    .note("precharge")
                    .caution("stored-pressure", "nitrogen")
                    .people(2)
                    .minutes(10)
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
                .note("level", "cleanliness", "indicator")
                .minutes(5)
                .add();
        for (Pump p : unit.all(Pump.class)) {
            if (p.suctionValve()) {
                draft.step(Kind.CHECK, of("plan.suction").name("pump", p.id()))
                        .why(of("plan.why.suction"))
                        .does("suction", p.id(), 1)
                        .caution("suction")
                        .minutes(2)
                        .add();
            }
            if (p.caseToFill()) {
                draft.step(Kind.CHECK, of("plan.case").name("pump", p.id()))
                        .why(of("plan.why.case"))
                        .does("fill", p.id(), 1)
                        .caution("empty-case")
                        .minutes(5)
                        .add();
            }
        }
        bench.drivers().forEach(this::supply);
        for (Setting s : unit.settings()) {
            if (unit.target(s.id()).isPresent()) {
                begin(s, start.applyAsDouble(s));
            }
        }
        Machine m = bench.machine();
        Situation still = m.situation.centred(unit);
        for (Throttle t : bench.handValves()) {
            still = still.withOpening(t.id(), t.purpose() == Throttle.Purpose.LOAD ? 1 : 0);
        }
        m.go(still);
        draft.step(Kind.START_POSITION, of("plan.open-load").name("throttle", names(bench.loads())))
                .why(of("plan.why.open-load"))
                .moves(bench.loads())
                .minutes(1)
                .add();
    }

    private static String names(List<? extends Component> parts) {
        return String.join(", ", parts.stream().map(Component::id).toList());
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
                        of(coupled(d) ? "plan.supply" : "plan.supply-pack")
                                .name("motor", d.id())
                                .number("volts", volts)
                                .current("rated", amps))
                .why(of("plan.why.supply"))
                .note("supply")
                .caution(coupled(d) ? new String[] {"coupling"} : new String[0])
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
        // At least a sixteenth, so that the direction is told also where the sheet has it at its end already.
        double turns = Math.max(
                1 / 16.0,
                Bench.sixteenths(Math.abs(s.present() - at) / s.screw().paPerTurn()));
        boolean cap = unit.partOf(s.id()) instanceof ReliefValve r && r.sealedByCap();
        draft.step(
                        Kind.START_POSITION,
                        of(out ? cap ? "plan.back-out-cap" : "plan.back-out" : "plan.all-in")
                                .name("setting", s.id()))
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

    private boolean coupled(Driver d) {
        return unit.all(Pump.class).stream().anyMatch(p -> p.driver().equals(d.id()) && p.coupling());
    }

    void firstStart() {
        draft.phase(Phase.Id.FIRST_START);
        for (Driver d : bench.drivers()) {
            String code =
                    d instanceof Engine ? "plan.turn-engine" : d instanceof DcMotor ? "plan.jog-pack" : "plan.jog";
            draft.step(Kind.CHECK, of(code).name("motor", d.id()).name("rotation", rotation(d)))
                    .why(of("plan.why.jog"))
                    .does("lock-out", d.id(), 0)
                    .does("rotation", d.id(), 1)
                    .caution(coupled(d) ? new String[] {"coupling", "suction"} : new String[] {"lock-out"})
                    .people(2)
                    .minutes(3)
                    .add();
        }
        Machine m = bench.machine();
        m.go(flushing(bench.running(m.situation)));
        boolean engines = bench.drivers().stream().allMatch(d -> d instanceof Engine);
        draft.step(
                        Kind.TEST,
                        of(engines ? "plan.flush-engine" : "plan.flush")
                                .name("motor", names(bench.drivers()))
                                .name("throttle", names(bench.loads())))
                .why(of("plan.why.flush"))
                .moves(bench.drivers())
                .expect(readings.roughly(bench.gauge()))
                .expect(readings.currents())
                .ifNot(of("plan.if-not.no-pressure"), of("plan.if-not.rattle"), of("plan.if-not.current-high"))
                .caution("injection", "rotation-stop")
                .onTime(bench.drivers())
                .minutes(6)
                .add();
        OnTime.rest(bench);
        draft.step(Kind.CHECK, of("plan.leak-walk"))
                .why(of("plan.why.leak-walk"))
                .caution("injection")
                .minutes(3)
                .add();
    }

    /** The valves as they rest with every load open; where no oil takes that way, the position in which most does. */
    private Situation flushing(Situation running) {
        Machine m = bench.machine();
        Situation best = bench.loads(running, 1);
        double most = flow(m.solved(best));
        for (Situation s : bench.anyPosition(best)) {
            double flow = flow(m.solved(s));
            if (flow > 2 * most + 1e-6) {
                most = flow;
                best = s;
            }
        }
        return best;
    }

    /** Oil that goes through the loads, m3/s; none where the model has no answer. */
    private double flow(SteadyState s) {
        return s == null
                ? 0
                : bench.loads().stream()
                        .mapToDouble(t -> Math.abs(s.valve(t.id()).flow()))
                        .sum();
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
        Fluid f = unit.fluid();
        // A pack with an on-time limit can't warm its oil; its band begins where a hall is.
        boolean pack = bench.drivers().stream().anyMatch(d -> d instanceof DcMotor);
        m.go(pack ? bench.stopped(m.situation) : warmest(m));
        double seconds = m.heat() > 0 ? f.heatCapacity() * Math.max(0, f.bandLow() - HALL) / m.heat() : 0;
        draft.step(
                        Kind.TEST,
                        of(pack ? "plan.oil-in-band" : "plan.warm-up")
                                .temperature("low", f.bandLow())
                                .temperature("high", f.bandHigh()))
                .why(
                        pack
                                ? of("plan.why.oil-in-band")
                                : of("plan.why.warm-up")
                                        .power("heat", m.heat())
                                        .temperature("high", f.bandHigh())
                                        .time("time", seconds))
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.slow-warm"))
                .caution("hot")
                .minutes(pack ? 1 : Math.max(1, Math.min(LONGEST_WARM_UP, Math.round(seconds / 60))))
                .add();
    }

    /** Load and valves so that most heat is made, far below every rating and the motor's own. */
    private Situation warmest(Machine m) {
        Situation best = bench.loads(m.situation.centred(unit), 0);
        double most = 0;
        List<Situation> ways = new ArrayList<>();
        for (double opening : new double[] {0, 0.1, 0.3, 1}) {
            Situation s = bench.loads(m.situation.centred(unit), opening);
            ways.add(s);
            ways.addAll(bench.anyPosition(s));
        }
        for (Situation s : ways) {
            SteadyState state = m.solved(s);
            double heat = state == null ? 0 : m.power(state);
            boolean low = state != null
                    && unit.all(Driver.class).stream()
                            .allMatch(d -> state.driver(d.id()).load() < 0.9 * d.serviceFactor())
                    && unit.lines().stream()
                            .allMatch(l -> state.pressure(l.id())
                                    < 0.7 * unit.weakest(l.id()).pressurePa());
            // Another position of the valves must be worth the walk.
            if (low && heat > most * (s.positions().equals(best.positions()) ? 1 : 1.25)) {
                most = heat;
                best = s;
            }
        }
        return best;
    }
}
