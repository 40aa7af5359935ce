package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.network.ComponentState.PumpState;
import earlygate.plan.Curve;
import earlygate.plan.Note;
import earlygate.plan.Step.Kind;
import earlygate.planner.script.LoadSweep.At;
import earlygate.unit.DcMotor;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.verify.Fit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Curves that the unit lets be taken with its own load valve: each pump's flow over pressure, each relief's pressure over
 * flow, a margin at several flows. Where the model shows the part at work along the way, and the gauge it needs is
 * there, a step says where points are worth most. Flow is read where a meter is at hand, and nothing stops where none is.
 */
final class Curves {
    /** Flow through the load, against what the part passes: so near, a meter there reads it. A bleed may be missing. */
    private static final double METERED = 0.03;

    private static final int LEAST_OF_A_PART = 3;
    /** A pump shows its leakage only over so much of its rated pressure; a margin only with so much of its full flow. */
    private static final double LEAST_SPAN = 0.2;

    private static final double LEAST_FLOW = 0.1;

    private final Site site;
    private final PowerUnit unit;
    private final Map<Way, LoadSweep> sweeps = new HashMap<>();

    Curves(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    private record Way(String load, Situation set) {}

    /** A curve, and how hands put the unit for it, its load shut. */
    private record Found(Curve curve, Situation situation) {}

    /** Where a flow meter is worth fitting, with every setting at its target; it stays there until hand-over. */
    void fitMeters() {
        Situation set = site.running(site.loads(site.rehearsal().situation, 0))
                .centred(unit)
                .allBlocked();
        for (Throttle t : site.handValves()) {
            set = set.withOpening(t.id(), 0);
        }
        for (Target t : unit.targets()) {
            set = set.withSetting(t.setting(), t.pressurePa());
        }
        for (Found f : all(set)) {
            String place = f.curve().metered();
            if (site.rehearsal().metersAt.add(place)) {
                site.script()
                        .step(Kind.CHECK, of("plan.meter-on").name("metered", place))
                        .why(of("plan.why.meter-on"))
                        .note(Note.FLOW_METER)
                        .caution("rated-parts")
                        .minutes(5)
                        .add();
            }
        }
    }

    void write(Situation set) {
        Rehearsal m = site.rehearsal();
        // No meter is read that nobody was told to fit.
        for (Found f : all(set).stream()
                .filter(x -> m.metersAt.contains(x.curve().metered()))
                .toList()) {
            Curve c = f.curve();
            Cooling.before(site, c.aims().stream().map(a -> f.situation().withOpening(c.load(), a.opening())));
            m.go(f.situation());
            site.script()
                    .step(
                            Kind.TEST,
                            of("plan.curve-" + c.kind().key())
                                    .name("subject", c.subject())
                                    .name("throttle", c.load())
                                    .name("gauge", c.gauge())
                                    .name("signal", c.signal().orElse(""))
                                    .name("metered", c.metered()))
                    .why(of("plan.why.curve-" + c.kind().key()).name("subject", c.subject()))
                    .curve(c)
                    .ifNot(of("plan.if-not.curve-" + c.kind().key()))
                    .caution("injection", "hot")
                    .fullFlow()
                    .people(2)
                    .minutes(5)
                    .add();
            if (c.kind() == Fit.Kind.MARGIN) {
                new SpeedTest(site).write(c, f.situation());
            }
            m.go(set);
        }
    }

    private List<Found> all(Situation set) {
        List<Found> found = new ArrayList<>();
        for (Pump p : unit.all(Pump.class)) {
            if (!(unit.driverOf(p) instanceof DcMotor)) {
                first(set, sweep -> pump(p, sweep)).ifPresent(found::add);
                if (p.loadSense().isPresent()) {
                    first(set, sweep -> margin(p, sweep)).ifPresent(found::add);
                }
            }
        }
        for (ReliefValve v : unit.all(ReliefValve.class)) {
            boolean toTank = v.outlet().equals(Line.TANK);
            boolean byBattery = unit.pumpsInto(v.inlet()).stream().anyMatch(p -> unit.driverOf(p) instanceof DcMotor);
            if (toTank && !byBattery) {
                first(set, sweep -> relief(v, sweep)).ifPresent(found::add);
            }
        }
        return found;
    }

    /** With the levers centred, else with one moved; the other load valves shut, else wide open. */
    private Optional<Found> first(Situation set, Function<LoadSweep, Optional<Found>> look) {
        List<Situation> ways = new ArrayList<>(List.of(set));
        ways.addAll(site.anyPosition(set));
        return ways.stream()
                .flatMap(s -> site.loads().stream()
                        .flatMap(t -> site.loads().size() == 1
                                ? Stream.of(sweep(t, s))
                                : Stream.of(s, site.loads(s, 1).withOpening(t.id(), 0))
                                        .map(way -> sweep(t, way))))
                .filter(sweep -> !sweep.along().isEmpty())
                .flatMap(sweep -> look.apply(sweep).stream())
                .findFirst();
    }

    private LoadSweep sweep(Throttle load, Situation set) {
        return sweeps.computeIfAbsent(new Way(load.id(), set), w -> LoadSweep.of(site.rehearsal(), load, set));
    }

    private static boolean through(LoadSweep sweep, At a, double flow, double within) {
        return Math.abs(Math.abs(a.state().flow(sweep.load().id())) - flow) <= within;
    }

    private Optional<Found> pump(Pump pump, LoadSweep sweep) {
        List<At> seen = sweep.along().stream()
                .filter(a -> running(a, pump).flow() > 0)
                .filter(a -> through(
                        sweep,
                        a,
                        running(a, pump).flow(),
                        METERED * running(a, pump).flow()))
                .toList();
        List<At> free = held(seen, pump, Optional.empty());
        double low = free.isEmpty() ? 0 : pressure(free.get(0), pump);
        double span = free.isEmpty() ? 0 : pressure(free.get(free.size() - 1), pump) - low;
        if (free.size() < LEAST_OF_A_PART || span < LEAST_SPAN * pump.ratedPressure()) {
            return Optional.empty();
        }
        List<Double> pressures = new ArrayList<>(between(low, low + span, 5));
        List<At> limited = held(seen, pump, Optional.of(pump.powerLimiterId()));
        if (limited.size() >= LEAST_OF_A_PART) {
            double to = 0.97 * pressure(limited.get(limited.size() - 1), pump);
            pressures.addAll(between(1.05 * pressure(limited.get(0), pump), to, 3));
        }
        boolean cutsOff = running(sweep.shut(), pump).inControl().equals(Optional.of(pump.compensatorId()));
        pump.compensator().filter(c -> cutsOff).ifPresent(c -> {
            double s = site.unit().at(sweep.set()).setting(pump.compensatorId());
            pressures.addAll(List.of(s - 0.6 * c.bandPa(), s - 0.3 * c.bandPa()));
        });
        List<Curve.Aim> aims = pressures.stream()
                .flatMap(p -> sweep.bring(s -> s.pressure(pump.outlet()), p).stream())
                .map(a -> aim(sweep, a, pump))
                .toList();
        return found(Fit.Kind.PUMP, pump.id(), pump.outlet(), Optional.empty(), sweep, aims);
    }

    private static List<Double> between(double from, double to, int count) {
        return Stream.iterate(0, i -> i + 1)
                .limit(count)
                .map(i -> from + (to - from) * i / (count - 1))
                .toList();
    }

    private static List<At> held(List<At> seen, Pump pump, Optional<String> control) {
        return seen.stream()
                .filter(a -> running(a, pump).inControl().equals(control))
                .toList();
    }

    private static PumpState running(At a, Pump pump) {
        return a.state().pump(pump.id());
    }

    private static double pressure(At a, Pump pump) {
        return a.state().pressure(pump.outlet());
    }

    private static Curve.Aim aim(LoadSweep sweep, At a, Pump pump) {
        double flow = running(a, pump).flow();
        double beside = Math.max(0, flow - Math.abs(a.state().flow(sweep.load().id())));
        return new Curve.Aim(pressure(a, pump), flow, beside, a.opening(), false);
    }

    private Optional<Found> margin(Pump pump, LoadSweep sweep) {
        double full = pump.displacement() * unit.driverOf(pump).noLoadSpeed();
        List<At> moving = held(sweep.along(), pump, Optional.of(pump.loadSenseId())).stream()
                .filter(a -> through(sweep, a, running(a, pump).flow(), METERED * full))
                .filter(a -> running(a, pump).flow() > LEAST_FLOW * full)
                .toList();
        if (moving.size() < LEAST_OF_A_PART || unit.target(pump.loadSenseId()).isEmpty()) {
            return Optional.empty();
        }
        List<At> chosen = MarginPoints.of(moving, a -> running(a, pump).flow());
        return found(
                Fit.Kind.MARGIN,
                pump.id(),
                pump.outlet(),
                pump.loadSense().map(Pump.LoadSense::signal),
                sweep,
                chosen.stream().map(a -> aim(sweep, a, pump)).toList());
    }

    /** Up as the load is shut, and three points on the way back. */
    private Optional<Found> relief(ReliefValve valve, LoadSweep sweep) {
        At shut = sweep.shut();
        double most = shut.state().flow(valve.id());
        double delivered = unit.pumpsInto(valve.inlet()).stream()
                .mapToDouble(p -> shut.state().flow(p.id()))
                .sum();
        boolean alone = shut.state().limiterOf(valve.inlet()).equals(Optional.of(valve.id()));
        boolean opens = sweep.along().get(0).state().flow(valve.id()) <= 0;
        if (!alone || !opens || most <= 0 || most < delivered / 2) {
            return Optional.empty();
        }
        List<Curve.Aim> aims = new ArrayList<>();
        for (double share : new double[] {0.15, 0.35, 0.55, 0.75, 0.97}) {
            passing(valve, sweep, share * most, false).ifPresent(aims::add);
        }
        for (double share : new double[] {0.75, 0.45, 0.15}) {
            passing(valve, sweep, share * most, true).ifPresent(aims::add);
        }
        return found(Fit.Kind.RELIEF, valve.id(), valve.inlet(), Optional.empty(), sweep, aims);
    }

    private static Optional<Curve.Aim> passing(ReliefValve valve, LoadSweep sweep, double flow, boolean back) {
        return sweep.bring(s -> s.flow(valve.id()), flow)
                .map(a -> new Curve.Aim(
                        a.state().pressure(valve.inlet()), a.state().flow(valve.id()), 0, a.opening(), back));
    }

    /** Empty where a gauge is missing, or too few points come about. A relief's flow is read in its own line. */
    private Optional<Found> found(
            Fit.Kind kind,
            String subject,
            String line,
            Optional<String> signalLine,
            LoadSweep sweep,
            List<Curve.Aim> aims) {
        Optional<TestPoint> gauge = site.finest(line);
        Optional<TestPoint> signal = signalLine.flatMap(site::finest);
        if (gauge.isEmpty() || signal.isPresent() != signalLine.isPresent() || aims.size() < Fit.least(kind)) {
            return Optional.empty();
        }
        String load = sweep.load().id();
        return Optional.of(new Found(
                new Curve(
                        kind,
                        subject,
                        gauge.get().id(),
                        signal.map(TestPoint::id),
                        kind == Fit.Kind.RELIEF ? subject : load,
                        load,
                        aims),
                sweep.set()));
    }
}
