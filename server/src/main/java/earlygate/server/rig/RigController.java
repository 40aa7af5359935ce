package earlygate.server.rig;

import earlygate.circuit.Driver;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Throttle;
import earlygate.explain.Reason;
import earlygate.rig.Rig;
import earlygate.server.runs.OpenRuns;
import earlygate.server.runs.RunService;
import earlygate.server.words.ApiProblem;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The practice machine's handles, and its live stream. */
@RestController
@RequestMapping("/api/runs/{id}")
class RigController {
    /**
     * @param action start, stop, open, shift, turn, nut or pass
     * @param target driver, throttle or setting; nothing for pass
     * @param value opening 0 to 1, turns (clockwise positive), nut 1 tight or 0 slack, seconds to let pass
     * @param position of a valve, for shift
     */
    record RigAction(String action, String target, double value, String position) {}

    /** @param made turns that were really made */
    record RigAnswer(LiveView live, double made) {}

    private final RigHost rigs;
    private final RunService runs;
    private final OpenRuns open;

    RigController(RigHost rigs, RunService runs, OpenRuns open) {
        this.rigs = rigs;
        this.runs = runs;
        this.open = open;
    }

    @GetMapping(value = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@PathVariable long id) {
        practice(id);
        return rigs.listen(id);
    }

    @PostMapping("/rig")
    RigAnswer act(@PathVariable long id, @RequestBody RigAction a) {
        practice(id);
        PowerUnit unit = open.run(id).unit();
        String target = a.target() == null ? "" : a.target();
        return switch (a.action() == null ? "" : a.action()) {
            case "start" -> done(id, r -> r.start(driver(unit, target)));
            case "stop" -> done(id, r -> r.stop(driver(unit, target)));
            case "open" -> done(id, r -> r.open(throttle(unit, target), within(a.value(), 0, 1)));
            case "shift" -> done(id, r -> r.shift(valve(r, target), String.valueOf(a.position())));
            case "nut" -> done(id, r -> r.nut(screw(unit, target), a.value() > 0.5));
            case "pass" -> done(id, r -> r.pass(within(a.value(), 0, 3600)));
            case "turn" -> turn(id, screw(unit, target), within(a.value(), -20, 20));
            default ->
                throw ApiProblem.badInput("action", Reason.of("rig.action").name("value", "" + a.action()));
        };
    }

    private RigAnswer done(long id, java.util.function.Consumer<Rig> action) {
        return new RigAnswer(rigs.act(id, action, false), 0);
    }

    private RigAnswer turn(long id, String setting, double turns) {
        double[] made = new double[1];
        LiveView live = rigs.act(
                id,
                r -> {
                    if (r.standing().screws().get(setting).nutTight()) {
                        throw ApiProblem.conflict(
                                "turn", Reason.of("rig.nut-tight").name("setting", setting));
                    }
                    made[0] = r.turn(setting, turns);
                },
                true);
        if (made[0] != 0) {
            runs.turned(id, setting, made[0]);
        }
        return new RigAnswer(live, made[0]);
    }

    private void practice(long id) {
        if (!open.run(id).head().practice()) {
            throw ApiProblem.conflict("run", Reason.of("rig.not-practice"));
        }
    }

    private static String driver(PowerUnit unit, String id) {
        return known(unit.all(Driver.class).stream().anyMatch(m -> m.id().equals(id)), id);
    }

    private static String throttle(PowerUnit unit, String id) {
        return known(unit.all(Throttle.class).stream().anyMatch(t -> t.id().equals(id)), id);
    }

    private static String valve(Rig rig, String id) {
        return known(rig.standing().positions().containsKey(id), id);
    }

    private static String screw(PowerUnit unit, String id) {
        return known(unit.settings().stream().anyMatch(s -> s.id().equals(id)), id);
    }

    private static String known(boolean there, String id) {
        if (!there) {
            throw ApiProblem.badInput("target", Reason.of("situation.unknown").name("id", id));
        }
        return id;
    }

    private static double within(double value, double min, double max) {
        if (!(value >= min && value <= max)) {
            throw ApiProblem.badInput(
                    "value",
                    Reason.of("situation.out-of-range")
                            .name("value", Double.toString(value))
                            .number("min", min)
                            .number("max", max));
        }
        return value;
    }
}
