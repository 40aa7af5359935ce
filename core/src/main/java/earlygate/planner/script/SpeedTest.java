package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Curve;
import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;

/** A load-sense pump on an engine makes up for its speed by its stroke: what it delivers stays. Source: handbook 8. */
final class SpeedTest {
    /** Of the flow, as with another load. */
    private static final double WITHIN = 0.05;
    /** Of the most that flows: elsewhere the load, or a limit, has the flow. */
    private static final double FULL = 0.97;
    /** What the model itself may change it by. */
    private static final double KEEPS = 0.02;
    /** Of the whole stroke: a worn pump, or a spool that gives a little more, must still not come to its end. */
    private static final double RESERVE = 0.85;
    /** Band around the pressure that the load is opened to. */
    private static final double NEAR = 0.05;

    private static final double PER_MINUTE = 60;

    private final Site site;
    private final PowerUnit unit;

    SpeedTest(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /**
     * @param speed the other one, rev/s
     * @param other what flows at it, m3/s; {@code flow} at the stated speed
     */
    private record Kept(Situation at, double speed, double pressure, double flow, double other) {}

    /**
     * @param margin taken with a meter in its line
     * @param set as it was taken
     */
    void write(Curve margin, Situation set) {
        Pump pump = (Pump) unit.component(margin.subject());
        if (!(unit.driverOf(pump) instanceof Engine engine)) {
            return;
        }
        double stated = set.drivers().get(engine.id()).speed().orElseThrow();
        DoubleStream.of(engine.lowIdle(), engine.highIdle())
                .filter(n -> n != stated)
                .boxed()
                .flatMap(n -> middle(kept(margin, set, engine, n)).stream())
                .findFirst()
                .ifPresent(k -> write(margin, k, engine, stated));
    }

    /** Where it was read for the margin, as far as the model keeps the flow at that speed with room to spare, and all is safe. */
    private List<Kept> kept(Curve margin, Situation set, Engine engine, double speed) {
        Rehearsal m = site.rehearsal();
        String line = unit.testPoint(margin.gauge()).line();
        double most = margin.aims().stream().mapToDouble(Curve.Aim::flow).max().orElseThrow();
        List<Kept> kept = new ArrayList<>();
        for (Curve.Aim aim :
                margin.aims().stream().filter(a -> a.flow() >= FULL * most).toList()) {
            Situation at = set.withOpening(margin.load(), aim.opening());
            Optional<SteadyState> now = m.solved(at).filter(m::safe);
            Optional<SteadyState> then =
                    m.solved(at.withSpeed(engine.id(), speed)).filter(m::safe);
            if (now.isPresent() && then.isPresent()) {
                double q = Math.abs(now.get().flow(margin.metered()));
                double p = Math.abs(then.get().flow(margin.metered()));
                if (Math.abs(p - q) <= KEEPS * q
                        && then.get().pump(margin.subject()).stroke() <= RESERVE) {
                    kept.add(new Kept(at, speed, now.get().pressure(line), q, p));
                }
            }
        }
        return kept;
    }

    private static Optional<Kept> middle(List<Kept> kept) {
        return kept.isEmpty() ? Optional.empty() : Optional.of(kept.get(kept.size() / 2));
    }

    private void write(Curve margin, Kept k, Engine engine, double stated) {
        TestPoint gauge = unit.testPoint(margin.gauge());
        site.rehearsal().go(k.at());
        site.script()
                .step(
                        Kind.TEST,
                        of("plan.speed")
                                .name("throttle", margin.load())
                                .name("gauge", gauge.id())
                                .pressure("pressure", k.pressure())
                                .name("metered", margin.metered())
                                .name("engine", engine.id())
                                .number("stated", Math.rint(stated * PER_MINUTE))
                                .number("other", Math.rint(k.speed() * PER_MINUTE)))
                .why(of("plan.why.speed").name("pump", margin.subject()))
                .test(Procedure.Kind.SPEED, margin.subject())
                .moves(margin.load())
                .expect(site.readings().pressure(gauge, NEAR * k.pressure()))
                .note(Note.FLOW_STATED)
                .note(Note.FLOW_AT_SPEED
                        .expecting(k.other(), (1 - WITHIN) * k.other(), (1 + WITHIN) * k.other())
                        .flow(Note.AGAINST, k.flow()))
                .ifNot(of("plan.if-not.speed").name("pump", margin.subject()))
                .caution("injection", "hot")
                .fullFlow()
                .people(2)
                .minutes(3)
                .add();
    }
}
