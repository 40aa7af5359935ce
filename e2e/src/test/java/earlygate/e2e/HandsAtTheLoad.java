package earlygate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import earlygate.server.OnTheRig;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What hands do with a load valve: open it until a gauge reads so much, take a curve with it, read what flows. */
abstract class HandsAtTheLoad extends Hands {
    private static final int ASKS_AGAIN_MS = 400;
    private static final int MOST_POINTS = 16;
    private static final int MOST_STEPS = 40;
    private static final Pattern SPEEDS = Pattern.compile("at (\\d+) rev/min of (\\S+) and at (\\d+)");

    HandsAtTheLoad(Page page) {
        super(page);
    }

    void openUntil(String throttle) {
        Matcher band = BAND.matcher(page.locator(".want").first().innerText());
        if (!band.find()) {
            throw new AssertionError(
                    "No band in " + page.locator(".want").first().innerText());
        }
        double low = Double.parseDouble(band.group(1)) + 2;
        double high = Double.parseDouble(band.group(2)) - 2;
        for (String by : List.of("10 %", "1 %", "0.1 %")) {
            for (int i = 0; i < MOST_STEPS && gauge() > high; i++) {
                click("Open " + throttle + " by " + by);
                stand();
            }
            // An unloading valve that takes hold again lets the gauge fall far below.
            for (int i = 0; i < MOST_STEPS && gauge() < low && !by.equals("0.1 %"); i++) {
                click("Close " + throttle + " by " + (by.equals("10 %") ? "1 %" : "0.1 %"));
                stand();
            }
            if (gauge() >= low && gauge() <= high) {
                return;
            }
        }
        throw new AssertionError("It reads " + gauge() + ", never " + low + " to " + high + ":\n" + text(".want"));
    }

    /** The flow meter is read and written down, the engine set faster, and so again; nothing where no step asks for it. */
    void flowAtBothSpeeds(String title) {
        Matcher speeds = SPEEDS.matcher(title);
        if (!speeds.find()) {
            return;
        }
        write("Flow at the stated speed", "Flow meter at");
        click("Set " + speeds.group(2) + " to " + speeds.group(3) + " rev/min");
        stand();
        write("Flow at the other speed", "Flow meter at");
        click("Set " + speeds.group(2) + " to " + speeds.group(1) + " rev/min");
        stand();
    }

    /** What an instrument of the machine shows goes into a field of the step. */
    void write(String field, String instrument) {
        page.getByLabel(field)
                .fill(page.locator(".instruments > div")
                        .filter(new Locator.FilterOptions().setHasText(instrument))
                        .locator(".live")
                        .innerText());
        page.keyboard().press("Enter");
        answered();
    }

    /** Every point that the panel asks for, one after the other, the load opened by its handles as far as it says. */
    void takeCurve() {
        boolean byItself = heading().startsWith("Margin");
        if (byItself) {
            page.getByText("Take a point by itself").click();
        }
        Pattern next = Pattern.compile("(\\S+) ([0-9.]+) % open");
        page.locator(".curve > p").first().waitFor();
        Matcher asks = next.matcher(text(".curve > p"));
        for (int i = 0; asks.find(); asks = next.matcher(text(".curve > p")), i++) {
            if (i == MOST_POINTS) {
                throw new AssertionError("It asks for ever:\n" + text(".curve"));
            }
            String load = asks.group(1);
            int before = page.locator(".curve tbody tr").count();
            open(load, Double.parseDouble(asks.group(2)));
            if (byItself) {
                await(before);
            } else {
                takePoint(before);
            }
        }
    }

    void open(String load, double percent) {
        click("Shut " + load);
        int tenths = (int) Math.round(10 * percent);
        for (int by : new int[] {100, 10, 1}) {
            for (; tenths >= by; tenths -= by) {
                click("Open " + load + " by " + (by == 1 ? "0.1" : "" + by / 10) + " %");
            }
        }
    }

    private boolean isTaken(int before) {
        return page.locator(".curve tbody tr").count() > before;
    }

    private void await(int before) {
        for (int i = 0; i < 30 && !isTaken(before); i++) {
            pass(OnTheRig.A_LOOK_S);
            // Where it was refused the page asks again after a while.
            page.clock().fastForward(ASKS_AGAIN_MS);
            answered();
        }
        if (!isTaken(before)) {
            throw new AssertionError("No point came by itself:\n" + text("main"));
        }
    }

    /** A gauge that still moves gives no point: the page says so, and the hand presses once more when it stands. */
    private void takePoint(int before) {
        for (int i = 0; i < 20 && !isTaken(before); i++) {
            stand();
            press(page.locator(".curve .take button:enabled"));
        }
        if (!isTaken(before)) {
            throw new AssertionError("No point was taken:\n" + text(".curve"));
        }
    }
}
