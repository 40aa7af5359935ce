package earlygate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import earlygate.server.OnTheRig;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Walks a run as a technician would: reads the screen, uses the rig's handles, presses the one likely button. */
class Technician extends HandsAtTheLoad {
    private static final String TURNS = "(?:(\\d+) ?)?(?:(\\d+)/(\\d+))? turns? (in|out)";
    private static final Pattern NEXT_TURN = Pattern.compile("[↻↺] " + TURNS);
    private static final Pattern RELOCK = Pattern.compile("Slacken the nut, turn " + TURNS + " against.*");

    private static final Pattern STANDS =
            Pattern.compile("▲ (\\S+) (stands still.*|runs;.*|is open.*|must be fully open.*|is in .* must be in .*)");

    private static final Pattern BACK = Pattern.compile("(Back to step [^|]*)");

    private static final Pattern PUT = Pattern.compile("(?:Put|Hold) \\S+ (?:to|at) (.+?)(?: and | with |, about ).*");

    private static final Pattern PUT_BACK =
            Pattern.compile("▲? ?(.+) is not the screw of this step.* put it back, " + TURNS + "\\.");

    /** So long the likely button of a step that has just come up is dead. */
    private static final int DOUBLE_TAP_MS = 300;

    /** What an eye takes in at one look. */
    private static final String LOOK = """
            () => {
              const text = (where, n = 0) => document.querySelectorAll(where)[n]?.innerText ?? ''
              return {
                at: text('article.step > p'),
                heading: text('main h1'),
                rig: text('section.right'),
                stopped: text('.stopped'),
                turn: text('.box.turn .figure'),
                relock: text('.box.turn span.small', 1),
                wrong: text("[aria-label='Stands otherwise']"),
                buttons: [...document.querySelectorAll('main button:enabled')].map((b) => b.innerText.trim()).join('|'),
              }
            }""";

    /** Nothing can be taken or gone on with while the needle moves. */
    private static final String MOVES = "() => !document.querySelector('main button.primary:enabled')"
            + " && !!document.querySelector('.gauge .chip')?.innerText.startsWith('◇')";

    private String prepared = "";
    private int idle;

    Technician(Page page) {
        super(page);
    }

    @SuppressWarnings("unchecked")
    private Map<String, String> look() {
        return (Map<String, String>) page.evaluate(LOOK);
    }

    /** Goes on until a step whose title starts so is at hand, or until all is done. */
    void walkTo(String title) {
        answered();
        while (idle < 120) {
            Map<String, String> seen = look();
            String buttons = seen.get("buttons");
            if (buttons.contains("Open the record")
                    || (!title.isEmpty() && seen.get("heading").startsWith(title))) {
                return;
            }
            if (buttons.contains("Yes, open the gate")) {
                press(page.locator(".gate button"));
            } else if (!seen.get("at").equals(prepared)) {
                prepared = seen.get("at");
                begin(seen);
            } else {
                step(seen);
                idle++;
            }
        }
        throw new AssertionError("Never came to '" + title + "', stuck at:\n"
                + page.locator("main").innerText());
    }

    private void begin(Map<String, String> seen) {
        fits();
        idle = 0;
        page.clock().fastForward(DOUBLE_TAP_MS);
        if (!seen.get("rig").isEmpty()) {
            pass(0.1);
            prepare(seen.get("heading"));
        }
    }

    private void step(Map<String, String> seen) {
        if (seen.get("rig").isEmpty()) {
            typed();
            return;
        }
        if (seen.get("stopped").contains("its on-time is used up")) {
            rest();
        }
        for (int i = 0; i < 12 && text(".stopped").contains("Let it cool"); i++) {
            rest();
        }
        Matcher back = BACK.matcher(seen.get("buttons"));
        if (idle > 3 && back.find()) {
            press(button(back.group(1)));
            prepared = "";
            return;
        }
        if (idle > 0 && idle % 40 == 0) {
            // What was set has wandered off meanwhile: it is set again.
            prepared = "";
        }
        seen.get("wrong").lines().forEach(this::putRight);
        Matcher next = NEXT_TURN.matcher(seen.get("turn"));
        Matcher relock = RELOCK.matcher(seen.get("relock"));
        boolean toTheEnd =
                seen.get("heading").contains("its end") || seen.get("heading").contains("all the way in");
        if (next.matches() && !toTheEnd) {
            turn(next);
            idle = 0;
        } else if (relock.matches()) {
            // Slackened and waited for by the turn itself.
            turn(relock);
            press(screw().getByText("Nut slack"));
        } else {
            press(page.locator("button.primary:enabled"));
        }
        pass(OnTheRig.A_LOOK_S);
        for (int i = 0; i < 5 && (boolean) page.evaluate(MOVES); i++) {
            pass(OnTheRig.A_LOOK_S);
        }
    }

    /** What the page says stands otherwise is put as it says. */
    private void putRight(String wrong) {
        Matcher back = PUT_BACK.matcher(wrong.strip());
        if (back.matches()) {
            Locator screw = page.locator(".screw").filter(new Locator.FilterOptions().setHasText(back.group(1)));
            press(screw.getByText("Nut tight"));
            press(screw, sixteenths(back.group(2), back.group(3), back.group(4)), " " + back.group(5));
        }
        Matcher part = STANDS.matcher(wrong);
        if (part.matches()) {
            String told = part.group(2);
            put(
                    part.group(1),
                    told.startsWith("stands still")
                            ? "running"
                            : told.startsWith("runs")
                                    ? "stopped"
                                    : told.startsWith("is open")
                                            ? "shut"
                                            : told.startsWith("must be fully open")
                                                    ? "open"
                                                    : told.replaceAll("^.*must be in |\\.$", ""));
        }
    }

    /** At a machine: what is expected is what is read, in the middle of its band. */
    private void typed() {
        if (text("button.primary").startsWith("Type what")) {
            Matcher band = BAND.matcher(page.locator(".want").first().innerText());
            if (band.find()) {
                double low = Double.parseDouble(band.group(1));
                double mid = low == 0 ? 0 : (low + Double.parseDouble(band.group(2))) / 2;
                page.locator("[data-reading]").first().fill(Double.toString(mid));
                page.keyboard().press("Enter");
                page.locator(".verdict.pass").first().waitFor();
            }
        } else {
            press(page.locator("button.primary:enabled"));
        }
    }

    /** A pack that has stopped by itself rests as long as its plate asks, and is started again. */
    private void rest() {
        letPass();
        letPass();
        press(page.locator("button.start:enabled"));
    }

    /** What a step asks for by its sentence before anything is read. */
    void prepare(String title) {
        if (title.matches("(Curve|Margin) of .*")) {
            takeCurve();
        } else if (title.startsWith("Put the machine so: ")) {
            for (String part : title.substring(20).split(", ")) {
                put(part.substring(0, part.indexOf(' ')), part.substring(part.indexOf(' ') + 1));
            }
        } else if (title.matches("Open .* fully")) {
            for (String throttle : title.replaceAll("^Open | fully$", "").split(", ")) {
                put(throttle, "open");
            }
        } else if (title.startsWith("Start ")) {
            put(title.split(" ")[1], "running");
        } else if (title.startsWith("Stop ") && !title.contains("rest")) {
            put(title.split(" ")[1], "stopped");
        } else if (title.matches("Open \\S+, shut it again.*|Move \\S+ to and fro.*")) {
            String throttle = title.split(" ")[1].replace(",", "");
            put(throttle, "open");
            pass(1);
            put(throttle, "shut");
        } else if (title.matches("Open \\S+ until .*")) {
            openUntil(title.split(" ")[1]);
            flowAtBothSpeeds(title);
            if (title.contains("write down the speed")) {
                write("Engine speed under this load, rpm", "Engine");
            }
        } else if (PUT.matcher(title).matches()) {
            put(title.split(" ")[1], PUT.matcher(title).replaceFirst("$1"));
        } else if (title.startsWith("Tighten")) {
            press(screw().getByText("Nut slack"));
        } else if (title.contains("to its end") || title.contains("all the way in")) {
            toTheEnd(title.contains("all the way in") ? " in" : " out");
        }
        if (title.matches("(Read|Let) .*the oil.*")) {
            temper();
        }
        pass(1);
    }
}
