package earlygate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Walks a run as a technician would: reads the screen, uses the rig's handles, presses the one likely button. */
final class Technician {
    private static final String TURNS = "(?:(\\d+) ?)?(?:(\\d+)/(\\d+))? turns? (in|out)";
    private static final Pattern NEXT_TURN = Pattern.compile("[↻↺] " + TURNS);
    private static final Pattern RELOCK = Pattern.compile("Slacken the nut, turn " + TURNS + " against.*");
    private static final Pattern BAND = Pattern.compile("must show ([0-9.]+) to ([0-9.]+)");

    private static final Pattern STANDS =
            Pattern.compile("▲ (\\S+) (stands still.*|runs;.*|is open.*|must be fully open.*|is in .* must be in .*)");

    private static final Pattern PUT_BACK =
            Pattern.compile("▲? ?(.+) is not the screw of this step.* put it back, " + TURNS + "\\.");

    private final Page page;
    private String prepared = "";
    private int idle;

    Technician(Page page) {
        this.page = page;
    }

    /** Goes on until a step whose title starts so is at hand, or until all is done. */
    void walkTo(String title) {
        for (int i = 0; i < 1500; i++) {
            if (visible("Open the record") || (!title.isEmpty() && heading().startsWith(title))) {
                return;
            }
            if (visible("Yes, open the gate")) {
                press(page.locator(".gate button:enabled"));
                settle();
                continue;
            }
            step();
            if (idle > 400) {
                break;
            }
        }
        throw new AssertionError("Never came to '" + title + "', stuck at:\n"
                + page.locator("main").innerText());
    }

    private void step() {
        String at = text("article.step > p");
        for (int i = 0; at.isEmpty(); i++) {
            if (visible("Yes, open the gate") || visible("Open the record")) {
                return;
            }
            if (i > 60) {
                throw new AssertionError(
                        "No step on the screen:\n" + page.locator("main").innerText());
            }
            settle();
            at = text("article.step > p");
        }
        if (!at.equals(prepared)) {
            prepared = at;
            idle = 0;
            if (rig()) {
                prepare(heading());
            }
            return;
        }
        Locator primary = page.locator("button.primary:enabled");
        if (!rig()) {
            typed(primary);
            return;
        }
        if (page.locator(".stopped").getByText("its on-time is used up").isVisible()) {
            rest();
        }
        Locator back = page.locator("article.step button:enabled")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^Back to step ")));
        if (idle > 3 && back.count() > 0) {
            press(back);
            prepared = "";
            settle();
            return;
        }
        if (idle > 0 && idle % 40 == 0) {
            // What was set has wandered off meanwhile: it is set again.
            prepared = "";
        }
        putRight();
        String turn = text(".box.turn .figure");
        Matcher next = NEXT_TURN.matcher(turn);
        Matcher relock = RELOCK.matcher(text(".box.turn span.small >> nth=1"));
        boolean toTheEnd = heading().contains("its end") || heading().contains("all the way in");
        if (next.matches() && !toTheEnd) {
            turn(next);
        } else if (relock.matches()) {
            press(screw().getByText("Nut tight"));
            turn(relock);
            press(screw().getByText("Nut slack"));
        } else {
            press(primary);
        }
        idle++;
        settle();
    }

    /** What the page says stands otherwise is put as it says. */
    private void putRight() {
        for (String wrong : page.locator("[aria-label='Stands otherwise'] li").allInnerTexts()) {
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
    }

    private boolean rig() {
        return page.locator("section.right").count() > 0;
    }

    /** At a machine: what is expected is what is read, in the middle of its band. */
    private void typed(Locator primary) {
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
            press(primary);
        }
        idle++;
        settle();
    }

    /** A pack that has stopped by itself rests as long as its plate asks, and is started again. */
    private void rest() {
        button("Let 5 min pass").click();
        settle();
        button("Let 5 min pass").click();
        settle();
        page.locator("button.start:enabled").first().click();
        settle();
    }

    private String text(String selector) {
        List<String> found = page.locator(selector).allInnerTexts();
        return found.isEmpty() ? "" : found.get(0);
    }

    private void prepare(String title) {
        if (title.startsWith("Put the machine so: ")) {
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
            settle();
            put(throttle, "shut");
        } else if (title.matches("Open \\S+ until .*")) {
            openUntil(title.split(" ")[1]);
        } else if (title.startsWith("Tighten")) {
            press(screw().getByText("Nut slack"));
        } else if (title.contains("to its end") || title.contains("all the way in")) {
            toTheEnd(title.contains("all the way in") ? " in" : " out");
        }
        if (title.contains("the oil")) {
            temper();
        }
        settle();
    }

    private void put(String part, String to) {
        switch (to) {
            case "running" -> press("Start " + part);
            case "stopped" -> press("■ Stop " + part);
            case "open" -> page.getByLabel("Open " + part + " fully").click();
            case "shut" -> page.getByLabel("Shut " + part).click();
            default -> {
                if (to.endsWith(" %")) {
                    page.getByLabel("Shut " + part).click();
                    int percent = Integer.parseInt(to.replace(" %", ""));
                    for (int i = 0; i < percent / 10; i++) {
                        click("Open " + part + " by 10 %");
                    }
                    for (int i = 0; i < percent % 10; i++) {
                        click("Open " + part + " by 1 %");
                    }
                } else {
                    page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Valve " + part))
                            .getByText(to, new Locator.GetByTextOptions().setExact(true))
                            .click();
                }
            }
        }
        page.waitForTimeout(120);
    }

    /** Pressed if it can be; the screen may have gone on meanwhile, then it is looked at again. */
    private static void press(Locator button) {
        if (button.count() > 0) {
            try {
                button.first().click(new Locator.ClickOptions().setTimeout(2_000));
            } catch (TimeoutError gone) {
                return;
            }
        }
    }

    private void press(String name) {
        press(page.locator("section.right button:enabled")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + name + "$"))));
    }

    /** A handle answers before the next press, as a hand waits for the wheel. */
    private void click(String label) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.waitForTimeout(110);
    }

    private void openUntil(String throttle) {
        Matcher band = BAND.matcher(page.locator(".want").first().innerText());
        if (!band.find()) {
            throw new AssertionError(
                    "No band in " + page.locator(".want").first().innerText());
        }
        double low = Double.parseDouble(band.group(1)) + 2;
        double high = Double.parseDouble(band.group(2)) - 2;
        for (String by : List.of("10 %", "1 %", "0.1 %")) {
            for (int i = 0; i < 12 && gauge() > high; i++) {
                click("Open " + throttle + " by " + by);
                stand();
            }
            for (int i = 0; i < 12 && gauge() < low && !by.equals("0.1 %"); i++) {
                click("Close " + throttle + " by " + (by.equals("10 %") ? "1 %" : "0.1 %"));
                stand();
            }
            if (gauge() >= low && gauge() <= high) {
                return;
            }
        }
    }

    /** An accumulator fills and empties slowly: a gauge is believed once it stands. */
    private void stand() {
        page.waitForTimeout(150);
        for (int i = 0; i < 40 && text(".gauge .chip").startsWith("◇"); i++) {
            settle();
        }
    }

    private void toTheEnd(String way) {
        slacken();
        for (int i = 0; i < 20 && !page.getByText("is at its end: made").isVisible(); i++) {
            turnButton(screw(), "1" + way);
            settle();
        }
    }

    /** The pump warms it, or it stands and cools; well inside the band, since it goes on warming until it is read. */
    private void temper() {
        String[] band = page.locator(".instruments > div")
                .last()
                .innerText()
                .replaceAll("(?s).*?([0-9]+) to ([0-9]+).*", "$1 $2")
                .split(" ");
        double low = Double.parseDouble(band[0]);
        double high = Double.parseDouble(band[1]);
        List<String> stopped = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            double oil = Double.parseDouble(
                    page.locator(".instruments .mid .live").last().innerText());
            if (oil > low + 0.5 && oil < high - 6) {
                break;
            }
            if (oil >= high - 6) {
                String drive = text("button.stop:enabled").replace("■ Stop ", "");
                if (!drive.isEmpty()) {
                    stopped.add(drive);
                    put(drive, "stopped");
                }
            }
            button("Let 5 min pass").click();
            settle();
        }
        stopped.forEach(d -> put(d, "running"));
    }

    private void turn(Matcher next) {
        slacken();
        // A capped screw is turned with the drive off and its cap back on before the next run.
        String drive = text("button.stop:enabled").replace("■ Stop ", "");
        boolean capped = heading().contains("cap") && !drive.isEmpty();
        if (capped) {
            put(drive, "stopped");
        }
        press(screw(), sixteenths(next.group(1), next.group(2), next.group(3)), " " + next.group(4));
        if (capped) {
            put(drive, "running");
        }
        idle = 0;
    }

    private static int sixteenths(String whole, String over, String under) {
        return 16 * number(whole) + (over == null ? 0 : 16 * number(over) / number(under));
    }

    /** Turns a screw by the handles of its panel. */
    private void press(Locator screw, int sixteenths, String way) {
        int left = sixteenths;
        for (; left >= 16; left -= 16) {
            turnButton(screw, "1" + way);
        }
        for (; left >= 4; left -= 4) {
            turnButton(screw, "1/4" + way);
        }
        for (; left > 0; left--) {
            turnButton(screw, "1/16" + way);
        }
    }

    private static int number(String text) {
        return text == null || text.isEmpty() ? 0 : Integer.parseInt(text);
    }

    private void turnButton(Locator screw, String turns) {
        screw.locator("button[aria-label$=' " + turns + "']").click();
        page.waitForTimeout(80);
    }

    private void slacken() {
        Locator tight = screw().getByText("Nut tight");
        if (tight.count() > 0) {
            tight.click();
            screw().getByText("Nut slack").waitFor();
        }
    }

    private Locator screw() {
        return page.locator(".screw.current");
    }

    /** The gauge of the step at hand. */
    double gauge() {
        return Double.parseDouble(page.locator(".gauge .live").first().innerText());
    }

    String heading() {
        return page.locator("main h1").first().innerText();
    }

    private boolean visible(String button) {
        return button(button).isVisible();
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(!name.startsWith("Stop")));
    }

    /** A few ticks of the machine and a breath for the screen. */
    private void settle() {
        page.waitForTimeout(100);
    }
}
