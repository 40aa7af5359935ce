package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static earlygate.e2e.Served.button;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The first start: from the sheet to the first set screw. */
class TourTest extends OnAFreshServer {
    private static final int LOOKS_AGAIN_MS = 400;

    @Test
    void aNewcomerSetsAScrew() {
        Page page = Served.timed("/");
        Locator tour = page.getByLabel("Tour", new Page.GetByLabelOptions().setExact(true));
        button(page, "Show me").click();
        assertThat(page).hasURL(Pattern.compile(".*/unit/LG-07/sheet"));
        assertThat(tour).containsText("The flags on the staff");
        Barriers.none(page);
        button(page, "What is set first?").click();
        assertThat(page).hasURL(Pattern.compile(".*/unit/LG-07/plan"));
        assertThat(tour).containsText("The plan: the order");
        // Whoever wanders off finds the way back.
        page.getByText("Record", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(tour).containsText("The tour waits for you: Plan.");
        button(page, "Back to the tour").click();
        button(page, "To the practice rig").click();
        assertThat(tour).containsText(Pattern.compile("[1-9][0-9]* of 25 steps done"));
        // A page that is loaded anew in the middle goes on where it was.
        page.reload();
        whileTheHandWorks(page, tour);
        assertThat(tour).containsText("Your turn.");
        assertThat(page.locator("main h1").first()).containsText("Turn P1 compensator up");
        assertThat(page.locator(".screw.current")).containsText("P1 compensator");
        Barriers.none(page);
        Technician newcomer = new Technician(page);
        newcomer.fits();
        newcomer.walkTo("Back RV1 out");
        assertThat(tour).containsText("That is a screw set");
        button(page, "End the tour").click();
        assertThat(tour).hasCount(0);
        assertThat(page.locator("main h1").first()).containsText("Back RV1 out");
        page.navigate(page.url().replaceAll("/unit/.*", "/"));
        assertThat(page.getByText("in the workshop")).isVisible();
        assertThat(button(page, "Show me")).hasCount(0);
    }

    @Test
    void itIsLeftAtAnyMomentAndFoundAgainBehindTheKeys() {
        Page page = Served.timed("/");
        button(page, "Not now").click();
        assertThat(button(page, "Show me")).hasCount(0);
        page.keyboard().press("?");
        page.getByText("Tour: from the sheet").click();
        assertThat(page).hasURL(Pattern.compile(".*/unit/LG-07/sheet"));
        button(page, "Leave the tour").click();
        page.reload();
        assertThat(page.locator("svg.circuit").first()).isVisible();
        assertThat(button(page, "Leave the tour")).hasCount(0);
    }

    /** The tour's own hand waits for needles, and for its next look. */
    private static void whileTheHandWorks(Page page, Locator tour) {
        Technician newcomer = new Technician(page);
        for (int i = 0; i < 200 && !tour.innerText().contains("Your turn."); i++) {
            newcomer.pass(0.5);
            page.clock().fastForward(LOOKS_AGAIN_MS);
        }
    }
}
