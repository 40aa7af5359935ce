package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static earlygate.e2e.Served.button;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A circuit changed by pointing at its drawing: nothing is named by hand, nothing is lost, everything can be undone. */
class PointingTest {
    /** What is changed sooner after another change counts as the same step of undo. */
    private static final int A_STEP_MS = 900;

    private static void point(Page page, String what) {
        page.getByLabel(what, new Page.GetByLabelOptions().setExact(true)).focus();
        page.keyboard().press("Enter");
    }

    private static Locator drawer(Page page) {
        return page.getByRole(AriaRole.COMPLEMENTARY);
    }

    private static Locator part(Page page, String id) {
        return page.getByLabel("Part " + id, new Page.GetByLabelOptions().setExact(true));
    }

    /** The lock gate gets a clamp branch; its plan sets the branch as well. */
    @Test
    void aBranchIsPutOnAndPlanned() throws IOException {
        Page page = Served.open("/");
        // A unit of its own: other journeys walk the lock gate as it is.
        String lock = Files.readString(Path.of("../demo/units/LG-07.json")).replace("\"LG-07\"", "\"PT-30\"");
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload("PT-30.json", "application/json", lock.getBytes(UTF_8)));
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("PT-30").setExact(true))
                .click();
        Locator rail = page.getByLabel("Line P", new Page.GetByLabelOptions().setExact(true));
        // By the mouse: on the line itself, where no part stands.
        assertThat(rail).isVisible();
        BoundingBox box = rail.locator("path").last().boundingBox();
        page.mouse().click(box.x + 0.6 * box.width, box.y + box.height / 2);
        assertThat(drawer(page)).containsText("Line P, pump line");
        page.getByLabel("On it, with a new line behind")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("reducing valve"))
                .click();
        assertThat(button(page, "Put it on P")).isDisabled();
        drawer(page).getByLabel("Pressure").fill("2000");
        assertThat(drawer(page).getByRole(AriaRole.ALERT)).containsText("2000 is too large; at most 1000 bar");
        drawer(page).getByLabel("Pressure").fill("60");
        button(page, "Put it on P").click();
        assertThat(drawer(page)).containsText("RD1 reducing valve");
        assertThat(page.getByText("RD1 is on P now; the line behind it is R.")).isVisible();
        point(page, "Line R");
        button(page, "gauge").click();
        assertThat(drawer(page)).containsText("Gauge GR on R");
        point(page, "Line R");
        button(page, "throttle").click();
        assertThat(part(page, "TV2")).isVisible();
        // A name that is taken is refused with the reason, and the drawing stays.
        Locator name = drawer(page).locator("#pointed-name");
        name.fill("RV1");
        button(page, "Rename").click();
        assertThat(drawer(page)).containsText("RV1 is another thing's name already");
        name.fill("TVR");
        button(page, "Rename").click();
        assertThat(part(page, "TVR")).isVisible();
        page.getByLabel("Your name").fill("A. Marsh");
        page.keyboard().press("Escape");
        button(page, "Save as new revision").click();
        assertThat(page.getByText("not saved yet")).isHidden();
        page.getByText("Plan", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("RD1").first()).isVisible();
        assertThat(page.locator("body")).containsText("bring RD1 up from below until GR reads 60 bar");
    }

    /** What is taken out takes along what hangs on it, and one tap brings all of it back. */
    @Test
    void whatIsTakenOutComesBackWhole() {
        Page page = Served.timed("/unit/WD-05/sheet");
        point(page, "Part RD1");
        button(page, "Take out, P and R are one").click();
        assertThat(part(page, "RD1")).hasCount(0);
        assertThat(page.getByLabel("Line R", new Page.GetByLabelOptions().setExact(true)))
                .hasCount(0);
        assertThat(page.getByText("With it: R.")).isVisible();
        page.locator(".told").getByRole(AriaRole.BUTTON).click();
        assertThat(part(page, "RD1")).isVisible();
        assertThat(page.getByText("not saved yet")).isHidden();
        page.clock().fastForward(A_STEP_MS);
        // The branch's load goes to the pump's line: an end chosen among the lines there are.
        point(page, "Part TV2");
        Served.choose(page, "End A", "P");
        assertThat(page.getByText("TV2 is on P now.")).isVisible();
        button(page, "Undo").first().click();
        assertThat(page.getByText("not saved yet")).isHidden();
        // What was drawn after it is not taken along by an older way back; the sheet's own goes step by step.
        point(page, "Line P");
        button(page, "throttle").first().click();
        assertThat(part(page, "TV3")).isVisible();
        assertThat(page.getByText("nobody has confirmed yet")).isVisible();
        page.clock().fastForward(A_STEP_MS);
        point(page, "Line R");
        button(page, "throttle").first().click();
        assertThat(part(page, "TV4")).isVisible();
        page.locator(".told")
                .filter(new Locator.FilterOptions().setHasText("TV3 is on P"))
                .getByRole(AriaRole.BUTTON)
                .click();
        assertThat(page.getByText("The drawing was changed since.")).isVisible();
        assertThat(part(page, "TV3")).isVisible();
        page.keyboard().press("Escape");
        page.locator(".head")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(part(page, "TV4")).hasCount(0);
        page.locator(".head")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(part(page, "TV3")).hasCount(0);
        assertThat(page.getByText("not saved yet")).isHidden();
        assertThat(page.getByText("nobody has confirmed yet")).isHidden();
    }

    /** What governs a pump is taken off and given by pointing at the pump; with load sense comes its signal line. */
    @Test
    void aPumpGetsAnotherControl() {
        Page page = Served.open("/unit/LG-07/sheet");
        point(page, "Part P1");
        button(page, "Take its compensator off").click();
        assertThat(page.getByText("The compensator of P1 is taken off.")).isVisible();
        assertThat(part(page, "P1")).not().containsText("160 bar");
        button(page, "Give it a load-sense control").click();
        drawer(page).getByLabel("Pressure").fill("290 psi");
        button(page, "Put it there").click();
        assertThat(page.getByText("P1 has a load-sense control now.")).isVisible();
        assertThat(page.getByLabel("Line LS", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
        assertThat(button(page, "Take its load-sense control off")).isVisible();
        page.keyboard().press("Escape");
        button(page, "Target sheet").click();
        assertThat(page.getByLabel("Target of P1 load sense")).hasValue(Pattern.compile("19\\.99.*|20"));
    }

    /** A third section for the net hauler, with its lines, its gauge and its motor, is drawn like the first one. */
    @Test
    void aSectionMoreIsDrawnLikeTheFirst() {
        Page page = Served.open("/unit/NH-04/sheet");
        point(page, "Part S1");
        button(page, "One more like it").click();
        assertThat(drawer(page)).containsText("S3 section");
        for (String line : new String[] {"A3", "B3"}) {
            assertThat(page.getByLabel("Line " + line, new Page.GetByLabelOptions().setExact(true)))
                    .isVisible();
        }
        page.keyboard().press("Escape");
        button(page, "Target sheet").click();
        assertThat(page.getByLabel("Target of S3 relief A")).hasValue("160");
        String unsure = page.getByText("nobody has confirmed yet").innerText();
        assertThat(Integer.parseInt(unsure.split(" ")[0])).isGreaterThan(10);
    }
}
