package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.Optional;

/** A load-sense pump stalled at its cut-off: pump and signal gauge stand together, and that is as it should be. */
final class Stall {
    /** Of the cut-off, so far apart the two may stand by the model: a bleed and a spool take something. */
    private static final double TOGETHER = 0.05;

    private Stall() {}

    /** Nothing where no lever brings the pump to its cut-off, or a gauge is missing. */
    static void write(Site site, Pump p, Situation set) {
        PowerUnit unit = site.unit();
        Optional<TestPoint> pump = site.finest(p.outlet());
        Optional<TestPoint> signal = p.loadSense().flatMap(ls -> site.finest(ls.signal()));
        if (pump.isEmpty() || signal.isEmpty()) {
            return;
        }
        for (Positioned lever : unit.all(Positioned.class)) {
            for (String to : lever.moved()) {
                Situation held = set.withPosition(lever.id(), to);
                if (stalls(site, p, held)) {
                    double tolerance = unit.target(p.compensatorId())
                            .map(Target::tolerancePa)
                            .orElse(TOGETHER * site.readings().of(pump.get()));
                    site.hold(set, held);
                    Script.Writer step = site.script()
                            .step(
                                    Kind.TEST,
                                    of("plan.stall")
                                            .name("lever", lever.id())
                                            .name("position", lever.word(to))
                                            .name("gauge", pump.get().id())
                                            .name("signal", signal.get().id()))
                            .why(of("plan.why.stall").name("setting", p.compensatorId()))
                            .test(Procedure.Kind.STALL, p.id())
                            .moves(lever.id())
                            .expect(site.readings().pressure(pump.get(), tolerance))
                            .expect(site.readings().pressure(signal.get(), tolerance))
                            .ifNot(of("plan.if-not.stall"))
                            .caution("injection", "loads")
                            .minutes(1);
                    EngineSpeed.asked(site, Note.LOADED_SPEED).ifPresent(step::note);
                    step.add();
                    site.rehearsal().go(set);
                    return;
                }
            }
        }
    }

    private static boolean stalls(Site site, Pump p, Situation held) {
        Rehearsal m = site.rehearsal();
        Optional<SteadyState> state = m.solved(held).filter(m::safe);
        return state.filter(s -> s.limiterOf(p.outlet()).equals(Optional.of(p.compensatorId())))
                .filter(s -> s.pressure(p.outlet())
                                - s.pressure(p.loadSense().orElseThrow().signal())
                        < TOGETHER * s.pressure(p.outlet()))
                .isPresent();
    }
}
