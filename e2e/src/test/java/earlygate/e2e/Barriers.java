package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.List;

/** What keeps somebody from a screen: a rule of accessibility that it breaks, or something its own policy refuses. */
final class Barriers {
    private Barriers() {}

    static void none(Page page) {
        assertThat(page.locator("h1").first()).isAttached();
        assertThat(Served.refusedByPolicy()).isEmpty();
        // No page here holds a frame of another one, which is all that the newer mode opens a second page for.
        List<String> found = new AxeBuilder(page)
                .setLegacyMode(true).analyze().getViolations().stream()
                        .map(v -> v.getId() + ": " + v.getHelp() + " "
                                + v.getNodes().get(0).getHtml())
                        .toList();
        assertThat(found).isEmpty();
    }
}
