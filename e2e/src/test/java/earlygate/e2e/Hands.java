package earlygate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import earlygate.server.OnTheRig;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a hand does at the screen of a run and at the handles of its rig, and what an eye reads there. */
abstract class Hands {
    private static final Pattern OPENING = Pattern.compile("(\\d+) %");
    private static final Pattern UNTIL = Pattern.compile(" until (?:the )?(\\S+) reads ");
    static final Pattern BAND = Pattern.compile("must show ([0-9.]+) to ([0-9.]+)");

    /** So long the page shows no newer figures after it has shown some. */
    private static final int FIGURES_MS = 100;

    final Page page;

    Hands(Page page) {
        this.page = page;
    }

    String text(String selector) {
        List<String> found = page.locator(selector).allInnerTexts();
        return found.isEmpty() ? "" : found.get(0);
    }

    void put(String part, String to) {
        switch (to) {
            case "running" -> press("Start " + part);
            case "stopped" -> press("■ Stop " + part);
            case "open" -> click("Open " + part + " fully");
            case "shut" -> click("Shut " + part);
            default -> {
                Matcher opening = OPENING.matcher(to);
                if (opening.find()) {
                    click("Shut " + part);
                    int percent = Integer.parseInt(opening.group(1));
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
        answered();
    }

    /** Pressed if it is there. */
    void press(Locator button) {
        if (button.count() > 0) {
            button.first().click();
            answered();
        }
    }

    void press(String name) {
        press(page.locator("section.right button:enabled")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + name + "$"))));
    }

    /** By keyboard: whoever points must wait until nothing moves any more. */
    void click(String label) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).press("Enter");
        answered();
    }

    /** The page waits for no answer any more, neither of the log nor of the machine. */
    void answered() {
        page.waitForFunction("() => document.querySelector('.cockpit:not(:has([aria-busy=true]))')");
    }

    /** Lets so much of the practice machine's time pass, and waits until the page shows it. */
    void pass(double seconds) {
        page.clock().fastForward(FIGURES_MS);
        double now = Served.server().machine(Journey.run(page), seconds);
        page.waitForFunction("now => parseFloat(document.querySelector('.ran')?.dateTime.slice(2)) > now - 0.006", now);
    }

    /** An accumulator fills and empties slowly: a gauge is believed once it stands. */
    void stand() {
        pass(OnTheRig.A_LOOK_S);
        for (int i = 0; i < 20 && text(".gauge .chip").startsWith("◇"); i++) {
            pass(OnTheRig.A_LOOK_S);
        }
    }

    void toTheEnd(String way) {
        slacken();
        for (int i = 0; i < 20 && !page.getByText("is at its end: made").isVisible(); i++) {
            turnButton(screw(), "1" + way);
        }
    }

    /** The pump warms it, or it stands and cools; well inside the band, since it goes on warming until it is read. */
    void temper() {
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
            letPass();
        }
        stopped.forEach(d -> put(d, "running"));
    }

    void letPass() {
        button("Let 5 min pass").click();
        answered();
    }

    void turn(Matcher next) {
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
    }

    static int sixteenths(String whole, String over, String under) {
        return 16 * number(whole) + (over == null ? 0 : 16 * number(over) / number(under));
    }

    /** Turns a screw by the handles of its panel. */
    void press(Locator screw, int sixteenths, String way) {
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

    static int number(String text) {
        return text == null || text.isEmpty() ? 0 : Integer.parseInt(text);
    }

    void turnButton(Locator screw, String turns) {
        screw.locator("button[aria-label$=' " + turns + "']").press("Enter");
        answered();
    }

    void slacken() {
        Locator tight = screw().getByText("Nut tight");
        if (tight.count() > 0) {
            tight.click();
            answered();
        }
    }

    Locator screw() {
        return page.locator(".screw.current");
    }

    /** The gauge that the step's sentence names, else the first of those at hand. */
    double gauge() {
        Matcher named = UNTIL.matcher(heading());
        Locator gauges = page.locator(".gauge");
        Locator one = named.find() && !named.group(1).equals("gauge")
                ? gauges.filter(new Locator.FilterOptions().setHasText(Pattern.compile("^\\s*" + named.group(1))))
                : gauges;
        return Double.parseDouble(one.locator(".live").first().innerText());
    }

    String heading() {
        return page.locator("main h1").first().innerText();
    }

    boolean visible(String button) {
        return button(button).isVisible();
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(!name.startsWith("Stop")));
    }

    /** Whatever a step asks, it is on the screen with its button, and nothing has to be scrolled to. */
    void fits() {
        Object below = page.evaluate("() => Math.max(document.documentElement.scrollHeight - innerHeight,"
                + " document.querySelector('button.primary')?.getBoundingClientRect().bottom - innerHeight || 0,"
                + " document.documentElement.scrollWidth - innerWidth)");
        if (((Number) below).doubleValue() > 1) {
            throw new AssertionError(heading() + " does not fit by " + below + " px");
        }
    }
}
