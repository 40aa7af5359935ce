package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Works the practice rig's handles and takes what its instruments show. */
public class OnTheRig extends Walker {
    private static final int LOOKS = 6;
    /** Machine time between two looks at a needle that still moves. */
    public static final double A_LOOK_S = 2;

    private final Set<String> held = new TreeSet<>();
    private final List<String> heldWrongly = new ArrayList<>();
    private JsonNode live;

    public OnTheRig(Server server, ObjectNode start) {
        super(server, start.put("practice", true));
    }

    protected double rig(String action, String target, double value, String position) {
        Server.Answer answer = server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", action)
                        .put("target", target)
                        .put("value", value)
                        .put("position", position));
        assertThat(answer.status())
                .as("%s %s: %s", action, target, answer.problem())
                .isEqualTo(200);
        live = answer.json().get("live");
        return answer.json().get("made").asDouble();
    }

    /** At the instruments; nothing moves. */
    private void glance() {
        rig("pass", "", 0, "");
    }

    @Override
    protected void arrange(JsonNode situation) {
        glance();
        Map<String, Boolean> drivers = drivers(situation);
        drivers.forEach((id, on) -> {
            if (!on && live.at("/running/" + id).asBoolean()) {
                rig("stop", id, 0, "");
            }
        });
        openings(situation).forEach((id, to) -> {
            JsonNode now = live.path("openings").path(id);
            if (!now.isMissingNode() && Math.abs(now.asDouble() - to) > 1e-4) {
                rig("open", id, to, "");
            }
        });
        positions(situation).forEach((id, to) -> {
            if (!live.path("valves").path(id).path("at").asString(to).equals(to)) {
                rig("shift", id, 0, to);
            }
        });
        drivers.forEach((id, on) -> {
            if (on && !live.at("/running/" + id).asBoolean()) {
                rig("start", id, 0, "");
            }
        });
        // A hand takes its time.
        pass(1);
    }

    @Override
    void nut(String setting, boolean tight) {
        rig("nut", setting, tight ? 1 : 0, "");
    }

    @Override
    void turn(String setting, double turns) {
        rig("turn", setting, turns, "");
        turned();
        look();
    }

    @Override
    void toTheEnd(String setting, boolean inward) {
        while (Math.abs(rig("turn", setting, inward ? 1 : -1, "")) > 1 - 1e-9) {
            turned();
        }
    }

    @Override
    void rest() {
        // On the rig the step itself lets the time pass.
    }

    @Override
    void pass(double seconds) {
        server.machine(run, seconds);
    }

    @Override
    void moveLoad(String throttle) {
        rig("open", throttle, 1, "");
        pass(1.5);
        rig("open", throttle, 0, "");
    }

    @Override
    void open(String throttle, double opening) {
        rig("open", throttle, opening, "");
        pass(3);
    }

    @Override
    double glance(JsonNode expect) {
        pass(2);
        glance();
        return live.path("gauges")
                .path(expect.get("testPoint").asString())
                .get("bar")
                .asDouble();
    }

    @Override
    void temper(JsonNode expect) {
        double low = expect.get("low").asDouble();
        double high = expect.get("high").asDouble();
        for (int i = 0; i < 80; i++) {
            glance();
            double oil = live.get("oilC").asDouble();
            if (oil >= low + 0.5 && oil <= high - 6) {
                return;
            }
            if (oil > high - 6) {
                live.get("running").properties().forEach(d -> rig("stop", d.getKey(), 0, ""));
            }
            rig("pass", "", 300, "");
        }
    }

    @Override
    void read(JsonNode step, JsonNode expect) {
        if (step.path("way").asString("").equals("back-out-to-crack")) {
            return;
        }
        for (int i = 0; i < 400; i++) {
            Server.Answer answer = server.event(
                    run,
                    "live-reading",
                    object().put("step", step.get("id").asString())
                            .put("instrument", expect.get("testPoint").asString()));
            if (answer.status() == 200) {
                view = answer.json();
                holds(step);
                return;
            }
            if (answer.problem().contains("stands still")) {
                rested(step);
            } else {
                assertThat(answer.problem()).contains("has not settled yet");
                pass(A_LOOK_S);
            }
        }
        throw new AssertionError(
                "Never settles: " + expect + " in " + step.get("action").asString());
    }

    @Override
    void point(JsonNode curve, ObjectNode event) {
        for (int i = 0; i < 400; i++) {
            Server.Answer answer = server.event(
                    run, "live-point", event.put("step", curve.get("step").asString()));
            if (answer.status() == 200) {
                view = answer.json();
                return;
            }
            assertThat(answer.problem()).contains("has not settled yet");
            pass(A_LOOK_S);
        }
        throw new AssertionError("Never settles: " + curve);
    }

    /** A screw that brought its own reading right has the gauge by what the live picture says, or may have. */
    private void holds(JsonNode step) {
        boolean right = step.get("kind").asString().equals("set")
                && step.path("goalMinus").asString("").isEmpty()
                && view.get("readings")
                        .valueStream()
                        .allMatch(r -> r.get("grade").asString().equals("pass"));
        if (!right) {
            return;
        }
        glance();
        // While a needle trembles nobody is said to have it.
        for (int i = 0; live.get("held").isNull() && i < LOOKS; i++) {
            pass(A_LOOK_S);
            glance();
        }
        JsonNode now = live.get("held");
        if (now.isObject()) {
            String own = Words.settingName(step.get("setting").asString());
            List<String> by =
                    now.get("by").valueStream().map(JsonNode::asString).toList();
            held.add(own);
            if (!by.contains(own)) {
                heldWrongly.add(by + " at \"" + step.get("action").asString() + "\" of run " + run);
            }
        }
    }

    /** The screws that had their gauge when it read right. */
    public Set<String> held() {
        return held;
    }

    /** Where another was said to have it. */
    public List<String> heldWrongly() {
        return heldWrongly;
    }

    /** A pack that has used up its on-time, or whose few litres of oil ran hot, rests and is started again; nothing else stops. */
    private void rested(JsonNode step) {
        glance();
        live.get("stops")
                .properties()
                .forEach(stop -> assertThat(stop.getValue().asString())
                        .as("%s of run %d", stop.getKey(), run)
                        .isIn("on-time", "thermal"));
        rig("pass", "", 600, "");
        arrange(step.get("situation"));
    }

    @Override
    void seekCrack(JsonNode step) {
        found(step.get("id").asString());
    }

    JsonNode live() {
        return live;
    }

    /** Until it has cracked, or the gauge stands again and the next turn may be made. */
    void found(String step) {
        for (int i = 0; i < 60; i++) {
            pass(1);
            glance();
            if (live.path("crackBar").isNumber()) {
                pass(7);
                view = server.event(run, "take-crack", object().put("step", step))
                        .json();
                return;
            }
            if (live.path("crack").isObject() && live.get("wrong").isEmpty()) {
                return;
            }
        }
    }
}
