package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Fluid;
import earlygate.unit.Situation;
import java.util.stream.Stream;

/**
 * Readings count with the oil in its band, and a tank's thermal switch ends the day: where a load turns so much into heat
 * that a few minutes of it carry the oil out of its band, it is read, and let cool, before what follows.
 */
final class Cooling {
    /** How long the last pressure of a leg, or a load, may be held in all, s. */
    private static final double HELD_S = 120;
    /** The rise from which on the oil is read after a leg. */
    private static final double WORTH_READING_K = 3;
    /** And before a load: half of a usual band. */
    private static final double HOT_K = 10;

    private Cooling() {}

    /** After a screw was set, with the machine as it stands. */
    static void after(Site site) {
        double rise = rise(site, site.rehearsal().heat());
        OnTime.rest(site);
        if (rise > WORTH_READING_K) {
            read(site, site.unit().fluid().bandHigh(), of("plan.why.oil-in-band"));
        }
    }

    /** Before loads are held on the finished machine; the caller puts it into the first of them. */
    static void before(Site site, Stream<Situation> loads) {
        double heat = loads.flatMap(s -> site.rehearsal().solved(s).stream())
                .mapToDouble(SteadyState::shaftPower)
                .max()
                .orElse(0);
        double rise = rise(site, heat);
        if (rise > HOT_K) {
            Fluid f = site.unit().fluid();
            double leavesRoom = Math.max(f.middleOfBand(), f.bandHigh() - rise);
            read(
                    site,
                    leavesRoom,
                    of("plan.why.oil-before-load").power("heat", heat).warming("rise", rise));
        }
    }

    private static double rise(Site site, double watts) {
        return watts * HELD_S / site.unit().fluid().heatCapacity();
    }

    private static void read(Site site, double high, Reason why) {
        Rehearsal m = site.rehearsal();
        m.go(site.stopped(m.situation));
        site.script()
                .step(
                        Kind.TEST,
                        of("plan.oil-in-band")
                                .temperature("low", site.unit().fluid().bandLow())
                                .temperature("high", high))
                .why(why)
                .expect(site.readings().oil(high))
                .ifNot(of("plan.if-not.slow-warm"))
                .caution("hot")
                .add();
    }
}
