package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** A whole run of a unit by its screws, to a passed record. */
final class Commissioning {
    private Commissioning() {}

    static void byItsScrews(String tag) {
        Page page = Journey.start(tag, "Practice rig");
        assertThat(page.locator("article.step")).isVisible();
        new Technician(page).walkTo("");
        Journey.link(page, "Open the record").click();
        assertThat(page.locator(".outcome")).containsText("Passed");
        assertThat(page.locator(".outcome")).containsText("on the practice rig");
        page.navigate(page.url().replaceAll("/unit/.*", "/"));
        assertThat(page.locator("article").filter(new Locator.FilterOptions().setHasText(tag)))
                .containsText("Not commissioned here yet");
    }
}
