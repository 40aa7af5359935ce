package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An engine with load sense, an accumulator, a battery pack, a branch: by the screws, to a passed record. */
class EveryKindOfUnitTest {
    @ParameterizedTest
    @ValueSource(strings = {"NH-04", "FB-02", "PL-01", "WD-05"})
    void isCommissionedByItsScrews(String tag) {
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
