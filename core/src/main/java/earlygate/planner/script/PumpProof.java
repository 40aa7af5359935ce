package earlygate.planner.script;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.plan.Goal;
import earlygate.plan.Step.Kind;
import earlygate.unit.Screw;
import earlygate.unit.Setting;
import earlygate.unit.TestPoint;

/** Before a compensator is trusted with a line it is shown, at low pressure, that its screw answers. */
final class PumpProof {
    /** A screw moved to prove that the gauge answers. */
    private static final double TURN = 0.25;

    private static final double CLEAR = 25 * BAR;

    private PumpProof() {}

    /** Writes the two steps; gives the band, Pa, within which the gauge may now stand. */
    static double write(Site site, TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        Script script = site.script();
        Readings readings = site.readings();
        Screw screw = compensator.screw();
        double limit = site.unit().weakest(gauge.line()).pressurePa();
        // High enough that the compensator keeps the gauge through its quarter turn.
        double clear = relief.screw().clamp(screw.minPa() + 2 * TURN * screw.paPerTurn() + CLEAR);
        double turns = Site.sixteenths(
                (clear - relief.screw().minPa()) / relief.screw().paPerTurn());
        m.go(m.situation.withSetting(compensator.id(), screw.minPa()).withSetting(relief.id(), clear));
        script.step(
                        Kind.START_POSITION,
                        of("plan.relief-clear").name("relief", relief.id()).turns("turns", turns))
                .why(of("plan.why.relief-clear")
                        .name("compensator", compensator.id())
                        .name("relief", relief.id())
                        .pressure("stands", readings.of(gauge)))
                .setting(relief.id())
                .goal(new Goal.CountTurns(gauge.id(), readings.of(gauge), limit, turns))
                .expect(readings.roughly(gauge))
                .ifNot(
                        of("plan.if-not.keeps-rising").name("compensator", compensator.id()),
                        of("plan.if-not.no-pressure"))
                .caution("injection", "adjuster-only")
                .minutes(3)
                .add();
        m.go(m.situation.withSetting(compensator.id(), screw.minPa() + TURN * screw.paPerTurn()));
        script.step(
                        Kind.CHECK,
                        of("plan.prove-compensator")
                                .name("compensator", compensator.id())
                                .turns("turns", TURN)
                                .pressure("stands", readings.of(gauge)))
                .why(of("plan.why.prove-compensator"))
                .setting(compensator.id())
                .goal(new Goal.CountTurns(gauge.id(), readings.of(gauge), limit, TURN))
                .expect(readings.pressure(gauge, TURN * screw.paPerTurn()))
                .ifNot(of("plan.if-not.stands-still").name("relief", relief.id()), of("plan.if-not.no-pressure"))
                .caution("injection")
                .minutes(3)
                .add();
        return TURN * screw.paPerTurn();
    }
}
