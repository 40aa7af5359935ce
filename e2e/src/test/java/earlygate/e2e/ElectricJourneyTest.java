package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import earlygate.server.Certified;
import java.io.IOException;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;

/** An electric unit by its screws from the first step to a passed record, with a power cut on the way. */
class ElectricJourneyTest extends OnAFreshServer {
    @Test
    void fromUnitsToAPassedRecord() throws IOException {
        Page page = Served.timed("/");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("LG-07").setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Circuit of LG-07")))
                .isVisible();
        Journey.link(page, "Plan").click();
        assertThat(page.locator("h1").first()).hasText("Lead with the pump");
        assertThat(page.locator("[aria-current=step]")).containsText("Back RV1 out until it just cracks");
        Journey.link(page, "Walk this plan").click();
        page.getByLabel("Who runs it").fill("Ada Marsh");
        Journey.button(page, "Start").click();

        Technician technician = new Technician(page);
        technician.walkTo("Back RV1 out until");
        assertThat(page.locator("p.alone")).containsText("No relief behind this screw");
        String before = page.locator("article.step > p").first().innerText();
        Served.restart();
        page.reload();
        assertThat(page.locator("article.step > p").first()).hasText(before);
        // The power had gone: the machine stands still with its screws where they were, and the page says so.
        assertThat(page.getByText("M1 stands still; this step is read with it running"))
                .isVisible();
        Journey.button(page, "Start M1").click();
        technician.walkTo("");
        Certified.onTheRig(Served.server(), Journey.run(page));
        Journey.link(page, "Open the record").click();

        assertThat(page.locator(".outcome")).containsText("Passed");
        Locator rows = page.locator("table").first().locator("tbody tr");
        assertThat(rows).hasCount(2);
        assertThat(rows.nth(0)).containsText("by turns counted");
        assertThat(rows.nth(0)).containsText("pass");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("psi"))
                .click();
        assertThat(rows.nth(1)).containsText("2553 psi");
        page.locator(".log summary").last().click();
        Locator log = page.locator(".log details").last().locator("tbody tr");
        assertThat(log).hasCount(100);
        assertThat(log.first()).containsText("Began on a practice machine");
        Journey.button(page, "Next Page").click();
        assertThat(log.first()).containsText("101");
        Download pdf = page.waitForDownload(() -> Journey.link(page, "PDF").click());
        assertThat(Files.readAllBytes(pdf.path())).startsWith("%PDF".getBytes());
        Download json = page.waitForDownload(() -> Journey.link(page, "JSON").click());
        assertThat(Files.readString(json.path())).contains("\"outcome\":\"passed\"", "Ada Marsh");
    }
}
