package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Note;
import earlygate.plan.Phase;
import earlygate.plan.Step.Kind;
import earlygate.quantity.Si;
import earlygate.unit.Accumulator;
import earlygate.unit.DcMotor;
import earlygate.unit.Driver;
import earlygate.unit.Electric;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.RateTarget;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** Phases 1 to 3: paper, make safe, before the first start. */
public final class Preliminaries {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;

    public Preliminaries(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
    }

    public void paper() {
        script.phase(Phase.Id.PAPER);
        script.step(
                        Kind.CHECK,
                        of("plan.schematic")
                                .name("number", unit.drawing().number())
                                .name("revision", unit.drawing().revision()))
                .why(of("plan.why.schematic"))
                .minutes(5)
                .add();
        for (Target t : unit.targets()) {
            script.step(
                            Kind.CHECK,
                            of("plan.target")
                                    .name("setting", t.setting())
                                    .pressure("target", t.pressurePa())
                                    .pressure("tolerance", t.tolerancePa()))
                    .why(of("plan.why.target"))
                    .add();
        }
        for (RateTarget t : unit.rateTargets()) {
            script.step(Kind.CHECK, Rates.asked(t)).why(of("plan.why.target")).add();
        }
        for (TestPoint gauge : unit.testPoints()) {
            script.step(
                            Kind.CHECK,
                            of("plan.instruments")
                                    .name("gauge", gauge.id())
                                    .pressure("range", gauge.rangePa())
                                    .number("class", gauge.accuracyClass())
                                    .pressure("error", gauge.errorPa()))
                    .why(of("plan.why.instruments"))
                    .minutes(2)
                    .add();
        }
    }

    /** Everything let down and proved at zero on a gauge that is already there, or at a bleed; only then gauges go on. */
    public void makeSafe() {
        script.phase(Phase.Id.MAKE_SAFE);
        for (Driver d : site.drivers()) {
            boolean pack = d instanceof DcMotor;
            script.step(
                            Kind.CHECK,
                            of(pack ? "plan.clamp-off" : "plan.lock-out").name("motor", d.id()))
                    .why(of("plan.why.lock-out"))
                    .does("lock-out", d.id(), 1)
                    .caution("lock-out", "stored-pressure")
                    .minutes(5)
                    .add();
        }
        script.step(Kind.CHECK, of("plan.block-load"))
                .why(of("plan.why.block-load"))
                .caution("loads")
                .minutes(5)
                .add();
        DepressuriseSteps.write(site);
        DepressuriseSteps.proveZero(site, "plan.prove-zero-on-line");
        for (Accumulator a : unit.all(Accumulator.class)) {
            script.step(
                            Kind.CHECK,
                            of("plan.precharge").name("accumulator", a.id()).pressure("precharge", a.prechargePa()))
                    .why(of("plan.why.precharge"))
                    .note(Note.PRECHARGE)
                    .caution("stored-pressure", "nitrogen")
                    .people(2)
                    .minutes(10)
                    .add();
        }
        for (TestPoint gauge : unit.testPoints()) {
            script.step(
                            Kind.MOVE_GAUGE,
                            of("plan.fit-gauge")
                                    .name("gauge", gauge.id())
                                    .name("line", gauge.line())
                                    .pressure("range", gauge.rangePa()))
                    .why(of("plan.why.fit-gauge"))
                    .handles(Move.fit(gauge.id(), gauge.line(), 0))
                    .caution("oxygen", "rated-parts")
                    .minutes(5)
                    .add();
        }
        new Curves(site).fitMeters();
    }

    /** @param start where each screw is put before the first start; empty where each is left as it came */
    public void beforeStart(Optional<ToDoubleFunction<Setting>> start) {
        script.phase(Phase.Id.BEFORE_START);
        script.step(
                        Kind.CHECK,
                        of("plan.oil")
                                .name("oil", unit.fluid().name())
                                .number("litres", unit.fluid().tankVolume() * 1000)
                                .name("cleanliness", unit.fluid().cleanlinessTarget()))
                .why(of("plan.why.oil"))
                .note(Note.LEVEL, Note.CLEANLINESS, Note.INDICATOR)
                .minutes(5)
                .add();
        for (Pump p : unit.all(Pump.class)) {
            if (p.suctionValve()) {
                script.step(Kind.CHECK, of("plan.suction").name("pump", p.id()))
                        .why(of("plan.why.suction"))
                        .does("suction", p.id(), 1)
                        .note(Note.RESTRICTION)
                        .caution("suction")
                        .minutes(2)
                        .add();
            }
            if (p.caseToFill()) {
                script.step(Kind.CHECK, of("plan.case").name("pump", p.id()))
                        .why(of("plan.why.case"))
                        .does("fill", p.id(), 1)
                        .caution("empty-case")
                        .minutes(5)
                        .add();
            }
        }
        regulators();
        site.drivers().forEach(this::supply);
        start.ifPresent(this::startPositions);
        Rehearsal m = site.rehearsal();
        Situation still = m.situation.centred(unit);
        for (Throttle t : site.handValves()) {
            still = still.withOpening(t.id(), t.purpose() == Throttle.Purpose.LOAD ? 1 : 0);
        }
        m.go(still);
        if (!site.loads().isEmpty()) {
            script.step(Kind.START_POSITION, of("plan.open-load").name("throttle", Site.names(site.loads())))
                    .why(of("plan.why.open-load"))
                    .moves(site.loads())
                    .minutes(1)
                    .add();
        }
    }

    public void startPositions(ToDoubleFunction<Setting> start) {
        for (Setting s : unit.settings()) {
            if (unit.target(s.id()).isPresent()) {
                begin(s, start.applyAsDouble(s));
            }
        }
    }

    /** Of a pair one lags behind when its lever sticks, whatever its screws say. Source: handbook 7.4, twin regulators. */
    private void regulators() {
        List<Pump> paired = unit.all(Pump.class).stream()
                .filter(p -> p.powerLimiter().isPresent() || p.maxFlow().isPresent())
                .filter(p -> unit.all(Pump.class).stream().anyMatch(p::isTwinOf))
                .toList();
        if (!paired.isEmpty()) {
            script.step(Kind.CHECK, of("plan.regulators").name("pumps", Site.names(paired)))
                    .why(of("plan.why.regulators"))
                    .note(Note.LEVERS)
                    .minutes(4)
                    .add();
        }
    }

    private void supply(Driver d) {
        if (d instanceof Engine e) {
            script.step(
                            Kind.CHECK,
                            of("plan.engine").name("engine", e.id()).number("rpm", Math.round(e.mid() / Si.RPM)))
                    .why(of("plan.why.engine"))
                    .caution("coupling")
                    .minutes(3)
                    .add();
            return;
        }
        Electric motor = (Electric) d;
        script.step(
                        Kind.CHECK,
                        of(site.coupled(d) ? "plan.supply" : "plan.supply-pack")
                                .name("motor", d.id())
                                .number("volts", motor.voltage())
                                .current("rated", motor.ratedCurrent()))
                .why(of("plan.why.supply"))
                .note(site.coupled(d) ? new Note[] {Note.SUPPLY, Note.FREQUENCY} : new Note[] {Note.SUPPLY})
                .caution(site.coupled(d) ? new String[] {"coupling"} : new String[0])
                .minutes(3)
                .add();
    }

    /** To the end where the start position is one; what stays as it stands is only noted. */
    private void begin(Setting s, double at) {
        Rehearsal m = site.rehearsal();
        m.go(m.situation.withSetting(s.id(), at));
        boolean out = at <= s.screw().minPa();
        boolean in = at >= s.screw().maxPa();
        if (!out && !in) {
            script.step(Kind.CHECK, of("plan.leave").name("setting", s.id()).pressure("present", s.present()))
                    .why(of("plan.why.leave").name("setting", s.id()))
                    .add();
            return;
        }
        // At least a sixteenth, so that the direction is told also where the sheet has it at its end already.
        double turns = Math.max(
                1 / 16.0, Site.sixteenths(Math.abs(s.present() - at) / s.screw().paPerTurn()));
        boolean cap = unit.capped(s.id());
        script.step(
                        Kind.START_POSITION,
                        of(out ? cap ? "plan.back-out-cap" : "plan.back-out" : "plan.all-in")
                                .name("setting", s.id()))
                .why(of(out ? "plan.why.back-out" : "plan.why.all-in")
                        .name("setting", s.id())
                        .turns("turns", turns)
                        .pressure("present", s.present()))
                .setting(s.id())
                .goal(new Goal.ToEnd(site.gauge().id(), 0, 0, out ? -turns : turns))
                .caution("thread")
                .minutes(3)
                .add();
    }
}
