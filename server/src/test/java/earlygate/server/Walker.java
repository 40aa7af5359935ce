package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Commissions a unit over HTTP and does only what the answers tell: arranges the machine as a step's situation has it,
 * turns what is advised, reads what is expected, goes on when nothing is missing. Never writes a deviation.
 */
public abstract class Walker {
    private static final int LONGEST = 900;

    final Server server;
    final long run;
    JsonNode view;
    private String at = "";
    private int idle;

    Walker(Server server, ObjectNode start) {
        this.server = server;
        Server.Answer started = server.post("/api/runs", start);
        assertThat(started.status()).as(started.text()).isEqualTo(201);
        view = started.json();
        run = view.get("id").asLong();
    }

    public JsonNode walk() {
        for (int i = 0; i < LONGEST && !view.get("finished").asBoolean(); i++) {
            act();
            assertThat(idle).as(this::where).isLessThan(12);
        }
        assertThat(view.get("finished").asBoolean()).as(this::where).isTrue();
        return server.get("/api/runs/" + run + "/record").json();
    }

    public long run() {
        return run;
    }

    /** Goes on until a step whose sentence begins so is at hand. */
    public void walkTo(String action) {
        for (int i = 0; i < LONGEST && !view.at("/step/action").asString("").startsWith(action); i++) {
            act();
            assertThat(idle).as(this::where).isLessThan(12);
        }
        at = "";
    }

    /** Back to where a failing reading leads. */
    void goBack() {
        Server.Answer back = server.event(
                run, "reopened", object().put("step", view.at("/wayBack/step").asString()));
        assertThat(back.status()).as(back.text()).isEqualTo(200);
        view = back.json();
    }

    private String where() {
        return view.path("tag").asString() + " " + view.at("/step/id").asString() + " \""
                + view.at("/step/action").asString() + "\": " + view.path("missing") + " "
                + view.path("readings") + " " + view.at("/advice/text").asString();
    }

    private void act() {
        if (!view.path("waitingAt").isNull()) {
            event(
                    "hold-opened",
                    object().put("phase", view.at("/waitingAt/phase").asString()));
            return;
        }
        JsonNode step = view.get("step");
        if (!step.get("id").asString().equals(at)) {
            at = step.get("id").asString();
            idle = 0;
            begin(step);
            return;
        }
        double turns = view.at("/advice/turns").asDouble(0);
        boolean missing = !view.get("missing").isEmpty();
        String way = step.path("way").asString("");
        if (!missing) {
            stepDone();
        } else if (turns != 0 && !way.equals("to-the-end")) {
            turn(step.get("setting").asString(), turns);
            if (way.equals("back-out-to-crack")) {
                seekCrack(step);
            }
        } else if (view.at("/advice/relock").asDouble(0) != 0) {
            relock(step, view.at("/advice/relock").asDouble());
        } else if (idle > 1 && !view.path("wayBack").isNull()) {
            goBack();
        } else {
            read(step, wanted(step));
            idle++;
        }
    }

    private JsonNode wanted(JsonNode step) {
        List<String> read = new ArrayList<>();
        List<String> passed = new ArrayList<>();
        for (JsonNode r : view.get("readings")) {
            read.add(r.get("instrument").asString());
            if (r.get("grade").asString().equals("pass")) {
                passed.add(r.get("instrument").asString());
            }
        }
        return StreamSupport.stream(step.get("expect").spliterator(), false)
                .filter(e -> !read.contains(e.get("testPoint").asString()))
                .findFirst()
                .or(() -> StreamSupport.stream(step.get("expect").spliterator(), false)
                        .filter(e -> !passed.contains(e.get("testPoint").asString()))
                        .findFirst())
                .orElseThrow(() -> new AssertionError("Nothing left to read: " + where()));
    }

    /** Looks at how the run stands now. */
    protected void look() {
        view = server.run(run);
    }

    protected void begin(JsonNode step) {
        String way = step.path("way").asString("");
        String setting = step.path("setting").asString("");
        arrange(step.get("situation"));
        if (!way.isEmpty()) {
            nut(setting, step.get("kind").asString().equals("lock"));
        }
        if (way.equals("to-the-end")) {
            toTheEnd(setting, view.at("/advice/code").asString().equals("advice.in-to-end"));
        }
        if (step.path("demand").asString("").equals("load-moved")) {
            // A lever that is let go is moved by the arrangement itself.
            named(step).ifPresent(this::moveLoad);
            if (step.get("action").asString().startsWith("Stop ")) {
                stopAndStart(step.get("situation"));
            }
        }
        if (step.path("demand").asString("").equals("rest")) {
            rest();
        }
        for (JsonNode note : step.get("notes")) {
            event("noted", object().put("note", note.get("key").asString()).put("text", "as it should be, 108"));
        }
        for (JsonNode e : step.get("expect")) {
            if (e.get("testPoint").asString().equals("OIL")) {
                temper(e);
                arrange(step.get("situation"));
            }
        }
        if (step.get("action").asString().matches("Open \\S+ until .*")) {
            openUntil(named(step).orElseThrow(), step.get("expect").get(0));
        }
        if (view.path("curve").isObject()) {
            takeCurve(view.get("curve"), step);
        }
        look();
    }

    /** Each point that is asked for, the load opened as far as it says; then it is shut again. */
    private void takeCurve(JsonNode curve, JsonNode step) {
        for (JsonNode aim : curve.get("aims")) {
            open(curve.get("load").asString(), aim.get("opening").asDouble());
            point(curve, object().put("back", aim.get("back").asBoolean()));
        }
        arrange(step.get("situation"));
    }

    /** One point of a curve, as the instruments show it. */
    abstract void point(JsonNode curve, ObjectNode event);

    /** The hand valve that the sentence names. */
    private Optional<String> named(JsonNode step) {
        List<String> words = List.of(step.get("action").asString().split("[ ,.:]+"));
        return step.get("situation").get("openings").propertyNames().stream()
                .filter(words::contains)
                .findFirst();
    }

    private void openUntil(String throttle, JsonNode expect) {
        double shut = 0;
        double wide = 1;
        for (int i = 0; i < 12; i++) {
            double mid = Math.round((shut + wide) / 2 * 1000) / 1000.0;
            open(throttle, mid);
            double shows = glance(expect);
            if (shows >= expect.get("low").asDouble() * 1.02
                    && shows <= expect.get("high").asDouble() * 0.98) {
                return;
            }
            if (shows > expect.get("value").asDouble()) {
                shut = mid;
            } else {
                wide = mid;
            }
        }
    }

    /** A pack may stop by itself between the reading and this; then the step has to be looked at again. */
    private void stepDone() {
        Server.Answer answer = server.event(run, "step-done", object().put("step", at));
        assertThat(answer.status()).as("%s: %s", where(), answer.problem()).isIn(200, 409);
        view = answer.status() == 200 ? answer.json() : server.run(run);
        idle += answer.status() == 200 ? 0 : 1;
    }

    void event(String kind, ObjectNode more) {
        Server.Answer answer = server.event(run, kind, more.put("step", at));
        assertThat(answer.status())
                .as("%s: %s %s: %s", kind, view.path("tag").asString(), where(), answer.problem())
                .isEqualTo(200);
        view = answer.json();
        idle = kind.equals("turned") ? 0 : idle;
    }

    void turned() {
        idle = 0;
    }

    static Map<String, Boolean> drivers(JsonNode situation) {
        Map<String, Boolean> drivers = new LinkedHashMap<>();
        situation
                .path("drivers")
                .properties()
                .forEach(
                        d -> drivers.put(d.getKey(), d.getValue().get("running").asBoolean()));
        return drivers;
    }

    static Map<String, Double> openings(JsonNode situation) {
        Map<String, Double> openings = new LinkedHashMap<>();
        situation
                .path("openings")
                .properties()
                .forEach(o -> openings.put(o.getKey(), o.getValue().asDouble()));
        return openings;
    }

    static Map<String, String> positions(JsonNode situation) {
        Map<String, String> positions = new LinkedHashMap<>();
        situation
                .path("positions")
                .properties()
                .forEach(p -> positions.put(p.getKey(), p.getValue().asString()));
        return positions;
    }

    static String typed(double value) {
        return String.format(Locale.GERMANY, "%.2f", value);
    }

    protected abstract void arrange(JsonNode situation);

    abstract void nut(String setting, boolean tight);

    abstract void turn(String setting, double turns);

    abstract void toTheEnd(String setting, boolean inward);

    /** Against the nut's drag: slack, turned, tight again. */
    void relock(JsonNode step, double turns) {
        String setting = step.get("setting").asString();
        nut(setting, false);
        turn(setting, turns);
        nut(setting, true);
        view = server.run(run);
    }

    abstract void rest();

    abstract void moveLoad(String throttle);

    /** Where there is no load the line is let go by its drives. */
    private void stopAndStart(JsonNode situation) {
        ObjectNode stopped = (ObjectNode) situation.deepCopy();
        stopped.get("drivers").forEach(d -> ((ObjectNode) d).put("running", false));
        arrange(stopped);
        pass(3);
        arrange(situation);
    }

    /** Lets so many seconds of the machine pass. */
    abstract void pass(double seconds);

    abstract void open(String throttle, double opening);

    /** What a gauge shows about now, in its own unit. */
    abstract double glance(JsonNode expect);

    abstract void temper(JsonNode expect);

    abstract void read(JsonNode step, JsonNode expect);

    abstract void seekCrack(JsonNode step);
}
