package earlygate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Walks a run as a technician would: reads the screen, uses the rig's handles, presses the one likely button. */
final class Technician {
    private static final Pattern NEXT_TURN = Pattern.compile("[↻↺] (?:(\\d+) ?)?(?:(\\d+)/(\\d+))? turns? (in|out)");

    private final Page page;
    private String prepared = "";

    Technician(Page page) {
        this.page = page;
    }

    /** Goes on until a step whose title starts so is at hand, or until all is done. */
    void walkTo(String title) {
        for (int i = 0; i < 400; i++) {
            if (visible("Open the record") || (!title.isEmpty() && heading().startsWith(title))) {
                return;
            }
            if (visible("Yes, open the gate")) {
                button("Yes, open the gate").click();
                settle();
                continue;
            }
            step();
        }
        throw new AssertionError("Never came to '" + title + "', stuck at:\n"
                + page.locator("main").innerText());
    }

    private void step() {
        Locator counter = page.locator("article.step > p").first();
        for (int i = 0; counter.count() == 0; i++) {
            if (visible("Yes, open the gate") || visible("Open the record")) {
                return;
            }
            if (i > 60) {
                throw new AssertionError(
                        "No step on the screen:\n" + page.locator("main").innerText());
            }
            settle();
        }
        String at = counter.innerText();
        if (!at.equals(prepared)) {
            prepared = at;
            prepare(heading());
            return;
        }
        Locator primary = page.locator("button.primary");
        String turn = page.locator(".box.turn .figure").count() > 0
                ? page.locator(".box.turn .figure").innerText()
                : "none now";
        Matcher next = NEXT_TURN.matcher(turn);
        boolean toTheEnd = heading().contains("its end") || heading().contains("all the way in");
        if (next.matches() && !toTheEnd) {
            turn(next);
            settle();
        } else if (primary.isEnabled()) {
            primary.click();
            settle();
        } else {
            settle();
        }
    }

    private void prepare(String title) {
        if (title.startsWith("Start M1")) {
            button("Start M1").click();
            button("Open").click();
        } else if (title.startsWith("Shut TV1")) {
            button("Shut").click();
            for (int i = 0; i < 30 && !page.getByText("● in 40 to 60").isVisible(); i++) {
                button("Let 5 min pass").click();
                settle();
            }
        } else if (title.startsWith("Open TV1, shut")) {
            button("Open").click();
            settle();
            button("Shut").click();
        } else if (title.startsWith("Open TV1 until")) {
            for (int i = 0; i < 100 && gauge() > 145; i++) {
                page.getByLabel("Open TV1 by 1 %").click();
                settle();
            }
        } else if (title.startsWith("Stop and lock")) {
            button("Stop M1").click();
            button("Open").click();
        } else if (title.startsWith("Tighten")) {
            screw().getByText("Nut slack").click();
        } else if (title.contains("to its end") || title.contains("all the way in")) {
            slacken();
            String way = title.contains("all the way in") ? " in" : " out";
            for (int i = 0; i < 15 && !page.getByText("is at its end: made").isVisible(); i++) {
                turnButton("1" + way);
                settle();
            }
        }
        settle();
    }

    private void turn(Matcher next) {
        slacken();
        String way = " " + next.group(4);
        int sixteenths = 16 * number(next.group(1))
                + (next.group(2) == null ? 0 : 16 * number(next.group(2)) / number(next.group(3)));
        for (; sixteenths >= 16; sixteenths -= 16) {
            turnButton("1" + way);
        }
        for (; sixteenths >= 4; sixteenths -= 4) {
            turnButton("1/4" + way);
        }
        for (; sixteenths > 0; sixteenths--) {
            turnButton("1/16" + way);
        }
    }

    private static int number(String text) {
        return text == null || text.isEmpty() ? 0 : Integer.parseInt(text);
    }

    private void turnButton(String turns) {
        screw().locator("button[aria-label$=' " + turns + "']").click();
        page.waitForTimeout(60);
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

    double gauge() {
        return Double.parseDouble(page.locator(".gauge .live").innerText());
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
        page.waitForTimeout(160);
    }
}
