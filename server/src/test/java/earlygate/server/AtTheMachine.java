package earlygate.server;

import static earlygate.quantity.Si.BAR;
import static earlygate.server.Server.object;

import earlygate.quantity.PressureUnit;
import earlygate.unit.DcMotor;
import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Typed readings of a machine that the server has never seen. */
final class AtTheMachine extends Walker {
    final Machine machine;
    private final PowerUnit unit;

    AtTheMachine(Server server, ObjectNode start, PowerUnit unit, long seed) {
        super(server, start.put("practice", false));
        this.unit = unit;
        this.machine = new Machine(unit, seed);
    }

    @Override
    protected void arrange(JsonNode situation) {
        machine.arrange(drivers(situation), openings(situation), positions(situation));
        machine.run(0.5);
    }

    @Override
    void nut(String setting, boolean tight) {
        machine.rig().nut(setting, tight);
    }

    @Override
    void turn(String setting, double turns) {
        double made = machine.rig().turn(setting, turns);
        machine.run(0.3);
        if (made != 0) {
            event("turned", object().put("setting", setting).put("turns", made));
        }
        turned();
    }

    @Override
    void toTheEnd(String setting, boolean inward) {
        double counted = 0;
        for (double made = 1; Math.abs(made) > 0.99; ) {
            made = machine.rig().turn(setting, inward ? 1 : -1);
            counted += made;
        }
        event("turned", object().put("setting", setting).put("turns", counted));
    }

    /** The first is slipped on purpose, and left out for that reason. */
    @Override
    void point(JsonNode curve, ObjectNode event) {
        machine.run(4);
        String gauge = curve.get("gauge").asString();
        ObjectNode typed = event.put("pressure", typed(gauge))
                .put("flow", machine.flow(curve.get("metered").asString()));
        if (curve.get("signal").isString()) {
            typed.put("signal", typed(curve.get("signal").asString()));
        }
        event(
                "reading",
                object().put("instrument", "OIL").put("text", String.format(Locale.ROOT, "%.1f", machine.read("OIL"))));
        if (curve.get("kind").asString().equals("pump")
                && view.at("/curve/points").isEmpty()) {
            event("point", typed.deepCopy().put("flow", "0,05 L in 2 s"));
            event("left-out", object().put("wrong", view.get("seq").asLong()).put("text", "read off the wrong scale"));
        }
        event("point", typed);
    }

    private String typed(String gauge) {
        return String.format(Locale.ROOT, "%.2f", unit.testPoint(gauge).reads().fromPa(machine.read(gauge) * BAR));
    }

    @Override
    void rest() {
        machine.rest();
    }

    @Override
    void pass(double seconds) {
        machine.run(seconds);
    }

    @Override
    void moveLoad(String throttle) {
        open(throttle, 1);
        machine.run(1);
        open(throttle, 0);
    }

    @Override
    void open(String throttle, double opening) {
        machine.rig().open(throttle, opening);
        machine.run(1);
    }

    @Override
    double glance(JsonNode expect) {
        return inItsUnit(expect, machine.read(expect.get("testPoint").asString()));
    }

    private static double inItsUnit(JsonNode expect, double bar) {
        return switch (expect.get("reads").asString()) {
            case "A", "°C" -> bar;
            case "°F" -> bar * 1.8 + 32;
            default -> PressureUnit.of(expect.get("reads").asString()).fromPa(bar * BAR);
        };
    }

    /** A thermometer has no unit of the machine's: the screen names the one that stands beside the field. */
    private static String ofNoDial(JsonNode expect) {
        return expect.get("reads").asString().equals("°F") ? " °F" : "";
    }

    @Override
    void temper(JsonNode expect) {
        boolean fahrenheit = expect.get("reads").asString().equals("°F");
        double low = celsius(fahrenheit, expect.get("low").asDouble());
        double high = celsius(fahrenheit, expect.get("high").asDouble());
        for (int i = 0; i < 80; i++) {
            double oil = machine.read("OIL");
            if (oil >= low + 0.5 && oil <= high - 6) {
                return;
            }
            if (oil > high - 6) {
                unit.all(earlygate.unit.Driver.class).forEach(d -> machine.rig().stop(d.id()));
            }
            machine.rig().pass(300);
        }
    }

    private static double celsius(boolean fahrenheit, double value) {
        return fahrenheit ? (value - 32) / 1.8 : value;
    }

    @Override
    void read(JsonNode step, JsonNode expect) {
        String instrument = expect.get("testPoint").asString();
        if (step.path("way").asString("").equals("back-out-to-crack")
                && step.get("kind").asString().equals("set")) {
            seekCrack(step);
            return;
        }
        // As its plate asks: a pack that has been on for half its time rests before the next reading.
        boolean tired = unit.all(DcMotor.class).stream()
                .anyMatch(d -> machine.rig().onTime().getOrDefault(d.id(), 0.0) > d.onTime() / 2);
        if (tired && !expect.get("take").asString().equals("after")) {
            machine.rest();
            arrange(step.get("situation"));
        }
        double value = switch (expect.get("take").asString()) {
            case "peak" -> swing(instrument, true);
            case "valley" -> swing(instrument, false);
            case "after" -> {
                double wait = expect.get("afterS").asDouble()
                        - machine.rig().sinceStop().orElse(0);
                machine.run(Math.max(0, wait));
                List<Double> now = machine.watch(instrument, 0.1);
                yield now.get(0);
            }
            default -> machine.read(instrument);
        };
        event(
                "reading",
                object().put("instrument", instrument).put("text", typed(inItsUnit(expect, value)) + ofNoDial(expect)));
        if (instrument.equals("OIL") || unit.findTestPoint(instrument).isEmpty()) {
            return;
        }
        // A reading of the oil goes stale; whoever reads a setting has a thermometer beside the gauge.
        if (!view.at("/oil/state").asString().equals("ok")) {
            event("reading", object().put("instrument", "OIL").put("text", typed(machine.read("OIL"))));
        }
    }

    private double swing(String gauge, boolean highest) {
        machine.run(20);
        List<Double> seen = machine.watch(gauge, 40);
        return seen.stream()
                .reduce((a, b) -> highest ? Math.max(a, b) : Math.min(a, b))
                .orElseThrow();
    }

    /** The needle is read between the turns; what was read tells that it has cracked, and what stood before. */
    @Override
    void seekCrack(JsonNode step) {
        JsonNode gauge = step.get("expect").get(0);
        String id = gauge.get("testPoint").asString();
        event("reading", object().put("instrument", id).put("text", typed(inItsUnit(gauge, machine.read(id)))));
        if (view.at("/crackRead/found").asBoolean(false)) {
            event("take-crack", object());
        }
    }
}
