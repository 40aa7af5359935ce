package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.rig.Rig;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.Turned;
import earlygate.server.journal.OpenRuns;
import earlygate.server.rig.LiveView;
import earlygate.server.rig.RigHost;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.unit.Driver;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Throttle;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The practice machine's handles, and the live stream of a run. */
@RestController
@RequestMapping("/api/runs/{id}")
class RigController {
    /**
     * @param action start, stop, open, shift, speed, vent, turn, nut, pass, lock-out, suction, fill, rotation or reopen
     * @param target driver, engine, throttle, pump, relief valve or setting; nothing for pass and reopen
     * @param value opening 0 to 1, rev/min, turns (clockwise positive), nut 1 tight or 0 slack, 1 on, open, full or right and 0
     *     for the other, seconds to let pass
     * @param position of a valve, for shift
     * @param key the sender's own name for this; sent again, it is done only once
     */
    record RigAction(String action, String target, double value, String position, String key) {}

    /**
     * @param made turns that were really made
     * @param told what happened besides, in words; empty where nothing did
     */
    record RigAnswer(LiveView live, double made, String told) {}

    private static final Words WORDS = Words.in(PressureUnit.BAR);

    private final RigHost rigs;
    private final RunService runs;
    private final OpenRuns open;

    RigController(RigHost rigs, RunService runs, OpenRuns open) {
        this.rigs = rigs;
        this.runs = runs;
        this.open = open;
    }

    /** A practice run tells its machine, twenty times a second; another one its sequence number when somebody goes on. */
    @GetMapping(value = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@PathVariable long id) {
        return rigs.listen(id, open.run(id).head().practice());
    }

    @PostMapping("/rig")
    RigAnswer act(@PathVariable long id, @RequestBody RigAction a) {
        if (!open.run(id).head().practice()) {
            throw ApiProblem.conflict("run", Reason.of("rig.not-practice"));
        }
        PowerUnit unit = open.run(id).unit();
        String target = a.target() == null ? "" : a.target();
        String action = a.action() == null ? "" : a.action();
        if (action.equals("reopen")) {
            rigs.reopen(id);
            return answer(id, 0, "");
        }
        if (rigs.closed(id) != null) {
            throw ApiProblem.conflict("rig", Reason.of("rig.closed").said("why", rigs.closed(id)));
        }
        Optional<RunEvent> before = runs.delivered(id, a.key());
        if (before.isPresent()) {
            return answer(id, before.get().body() instanceof Turned t ? t.turns() : 0, "");
        }
        return switch (action) {
            case "start" -> start(id, a, driver(unit, target));
            case "stop" -> done(id, a, driver(unit, target), "", r -> r.stop(target));
            case "open" -> {
                double opening = within(a.value(), 0, 1);
                yield done(id, a, throttle(unit, target), Double.toString(opening), r -> r.open(target, opening));
            }
            case "shift" -> shift(id, a, target);
            case "speed" -> {
                Engine engine = engine(unit, target);
                double rpm = within(a.value(), 60 * engine.lowIdle(), 60 * engine.highIdle());
                yield done(id, a, target, Double.toString(rpm), r -> r.speed(target, rpm / 60));
            }
            case "vent" -> {
                known(rigs.standing(id).vents().containsKey(target), target);
                yield done(id, a, target, a.value() > 0.5 ? "1" : "0", r -> r.vent(target, a.value() > 0.5));
            }
            case "nut" ->
                done(id, a, screw(unit, target), a.value() > 0.5 ? "1" : "0", r -> r.nut(target, a.value() > 0.5));
            case "lock-out", "suction", "fill", "rotation" -> ready(id, a, target);
            case "pass" -> pass(id, a);
            case "turn" -> turn(id, a, screw(unit, target), within(a.value(), -20, 20));
            default ->
                throw ApiProblem.badInput("action", Reason.of("rig.action").name("value", action));
        };
    }

    private RigAnswer answer(long id, double made, String told) {
        return new RigAnswer(rigs.view(id), made, told);
    }

    private RigAnswer done(long id, RigAction a, String part, String to, Consumer<Rig> move) {
        runs.onRig(id, a.key(), step -> {
            rigs.act(id, r -> {
                move.accept(r);
                return null;
            });
            return Optional.of(new Handled(step, a.action(), part, to));
        });
        return answer(id, 0, "");
    }

    private RigAnswer start(long id, RigAction a, String driver) {
        boolean[] started = new boolean[1];
        runs.onRig(id, a.key(), step -> {
            started[0] = rigs.act(id, r -> r.start(driver));
            return started[0] ? Optional.of(new Handled(step, "start", driver, "")) : Optional.empty();
        });
        return answer(id, 0, started[0] ? "" : say("rig.told.locked-out", driver));
    }

    private RigAnswer shift(long id, RigAction a, String valve) {
        known(rigs.standing(id).positions().containsKey(valve), valve);
        String to = String.valueOf(a.position());
        boolean there = rigs.ask(id, r -> r.positions(valve).contains(to));
        if (!there) {
            throw ApiProblem.badInput(
                    "position",
                    Reason.of("situation.position")
                            .name("value", to)
                            .name("fits", String.join(", ", RigController.positions(rigs, id, valve))));
        }
        return done(id, a, valve, to, r -> r.shift(valve, to));
    }

    private static List<String> positions(RigHost rigs, long id, String valve) {
        return rigs.<List<String>>ask(id, r -> r.positions(valve));
    }

    private RigAnswer ready(long id, RigAction a, String part) {
        known(rigs.ask(id, r -> r.ready().has(a.action(), part)), part);
        boolean to = a.value() > 0.5;
        return done(id, a, part, to ? "1" : "0", r -> r.makeReady(a.action(), part, to));
    }

    private RigAnswer pass(long id, RigAction a) {
        double seconds = within(a.value(), 0, 3600);
        runs.onRig(id, a.key(), step -> {
            rigs.pass(id, seconds);
            // A pass of 0 s only asks how the machine stands, many times a minute: it is not logged.
            return seconds == 0
                    ? Optional.empty()
                    : Optional.of(new Handled(step, "pass", "", Double.toString(seconds)));
        });
        return answer(id, 0, "");
    }

    private RigAnswer turn(long id, RigAction a, String setting, double turns) {
        double[] made = new double[1];
        String[] told = {""};
        runs.onRig(id, a.key(), step -> {
            if (rigs.standing(id).screws().get(setting).nutTight()) {
                throw ApiProblem.conflict("turn", Reason.of("rig.nut-tight").name("setting", setting));
            }
            if (rigs.ask(id, r -> r.jets(setting))) {
                told[0] = say("rig.told.cap-jet", setting);
            }
            made[0] = rigs.turn(id, setting, turns);
            boolean atEnd = Math.abs(made[0]) < Math.abs(turns) - 1e-9;
            return made[0] == 0 && !atEnd ? Optional.empty() : Optional.of(new Turned(step, setting, made[0], atEnd));
        });
        return answer(id, made[0], told[0]);
    }

    private static String say(String code, String part) {
        return WORDS.say(Reason.of(code).name("part", part));
    }

    private static String driver(PowerUnit unit, String id) {
        return known(unit.all(Driver.class).stream().anyMatch(m -> m.id().equals(id)), id);
    }

    private static Engine engine(PowerUnit unit, String id) {
        known(unit.all(Engine.class).stream().anyMatch(e -> e.id().equals(id)), id);
        return (Engine) unit.component(id);
    }

    private static String throttle(PowerUnit unit, String id) {
        return known(unit.all(Throttle.class).stream().anyMatch(t -> t.id().equals(id)), id);
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
