package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** From a unit's card to what is due at it, done, written down, and gone from the card. */
class UpkeepJourneyTest {
    private static Locator task(Page page, String name) {
        return page.locator("li").filter(new Locator.FilterOptions().setHasText(name));
    }

    private static Locator field(Page page, String name) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void aRoundAtAMachine() {
        Page page = Served.open("/");
        Locator card = page.locator("article").filter(new Locator.FilterOptions().setHasText("NH-04"));
        assertThat(card).containsText("Change the oil");
        // What is due is found by typing.
        page.getByRole(AriaRole.SEARCHBOX).fill("change the oil");
        assertThat(page.locator("article")).hasCount(1);
        card.getByText("due").first().click();
        assertThat(task(page, "Change the filter")).containsText("was red on");
        Barriers.none(page);
        field(page, "Who writes").fill("Ada Marsh");
        page.getByLabel("Change the filter: Done today").click();
        assertThat(task(page, "Change the filter")).containsText("nothing shows it");
        page.getByLabel("Change the oil: Done today").click();
        assertThat(task(page, "Change the oil")).containsText("nothing shows it");
        field(page, "Cleanliness, ISO 4406").fill("14/19/17");
        Journey.button(page, "Keep the sample").click();
        assertThat(page.locator(".problems")).containsText("none above the one before");
        field(page, "Cleanliness, ISO 4406").fill("17/15/12");
        field(page, "Water, ppm").fill("wet");
        Journey.button(page, "Keep the sample").click();
        assertThat(page.getByText("Water, ppm: \"wet\" is no number.")).isVisible();
        field(page, "Water, ppm").fill("60");
        Journey.button(page, "Keep the sample").click();
        assertThat(page.locator(".p-datatable-tbody tr").first()).containsText("as clean as it should be");
        field(page, "Counter, h").fill("5");
        Journey.button(page, "Keep the counter").click();
        assertThat(page.locator(".problems")).containsText("5 h can't be");
        page.navigate(page.url().replaceAll("/unit/.*", "/"));
        assertThat(card).containsText("due");
        assertThat(card).not().containsText("Change the oil");
    }
}
