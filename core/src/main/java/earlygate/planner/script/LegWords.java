package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.gauge.Arrangement;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.Optional;

/** What a leg says: what to turn until what reads what, and why now. */
final class LegWords {
    private final Site site;
    private final PowerUnit unit;
    private final Aim aims;

    LegWords(Site site, Aim aims) {
        this.site = site;
        this.unit = site.unit();
        this.aims = aims;
    }

    /** Who would take the gauge from this setting if it stood lower than thought. */
    Optional<String> next(Arrangement arrangement, TestPoint gauge) {
        Situation up = arrangement
                .situation()
                .withSetting(
                        arrangement.setting(),
                        unit.setting(arrangement.setting()).screw().maxPa());
        return site.model()
                .solve(up)
                .flatMap(s -> s.limiterOf(gauge.line()))
                .filter(id -> !id.equals(arrangement.setting()));
    }

    /** Who it is, or the phrase for nobody that can be named. */
    static Reason named(Reason sentence, String key, Optional<String> limiter, String nobody) {
        return limiter.isPresent() ? sentence.name(key, limiter.get()) : sentence.said(key, Reason.of(nobody));
    }

    Reason action(Target t, boolean fromAbove, double aim, TestPoint gauge, double turns, double reads) {
        Setting s = unit.setting(t.setting());
        String code = switch (s.kind()) {
            case COMPENSATOR -> fromAbove ? "plan.bring-down" : "plan.set";
            case LOAD_SENSE -> "plan.set-difference";
            case UNLOADING ->
                ((UnloadingValve) unit.component(s.id())).differential().isPresent()
                        ? "plan.set-peak"
                        : "plan.set-transfer";
            case REDUCING -> "plan.set-branch";
            default -> unit.capped(s.id()) ? "plan.set-capped" : fromAbove ? "plan.set-down" : "plan.set";
        };
        return of(code).name("setting", s.id())
                .name("compensator", s.id())
                .name("gauge", gauge.id())
                .name("signal", aims.signal(t).map(TestPoint::id).orElse(gauge.id()))
                .name("pump", unit.partOf(s.id()) instanceof UnloadingValve v ? Charging.pumpOf(unit, v) : "")
                .turns("turns", Math.abs(turns))
                .pressure("target", s.kind() == Setting.Kind.LOAD_SENSE ? t.pressurePa() : aim)
                .pressure("reads", reads);
    }

    Reason why(Target t, Arrangement arrangement) {
        Setting s = unit.setting(t.setting());
        Optional<String> next = next(arrangement, arrangement.gauges().get(0));
        if (s.kind() == Setting.Kind.COMPENSATOR) {
            return next.isEmpty()
                    ? of("plan.why.set-alone").name("setting", s.id())
                    : of("plan.why.compensator-down")
                            .name("compensator", s.id())
                            .name("relief", next.get());
        }
        String code = switch (s.kind()) {
            case LOAD_SENSE -> "plan.why.set-difference";
            case UNLOADING -> "plan.why.set-unloading";
            case REDUCING -> "plan.why.set-branch";
            case PORT_RELIEF -> "plan.why.set-port";
            default -> next.isEmpty() ? "plan.why.set-alone" : "plan.why.set";
        };
        Reason why = of(code).name("setting", s.id()).pressure("target", t.pressurePa());
        return named(why, "next", next, "part.no-other-limiter");
    }
}
