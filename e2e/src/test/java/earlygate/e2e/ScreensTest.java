package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static earlygate.e2e.Served.button;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import earlygate.fixture.Units;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds on every screen: no barrier, nothing cut, everything by keyboard. */
class ScreensTest extends OnAFreshServer {
    /** What is wider than a phone scrolls in its own place; the page does not. */
    @ParameterizedTest
    @CsvSource({
        "/, day, '', article",
        "/new, night, '', .which",
        "/unit/NH-04/sheet, day, Circuit, svg.circuit .value",
        "/unit/NH-04/sheet, night, Parts, .chapters",
        "/unit/NH-04/sheet, day, Target sheet, .targets",
        "/unit/NH-04/sheet, night, Revisions, .revisions",
        "/unit/NH-04/plan, day, '', [aria-current=step]",
        "/unit/NH-04/run, night, '', h1",
        "/unit/NH-04/record, day, '', h1",
        "/unit/NH-04/history, night, '', .trends",
        "/unit/NH-04/upkeep, night, '', .p-datatable-tbody",
        "/day, day, '', h1",
        "/instruments, day, '', tbody",
        "/reckoner, night, '', .formula"
    })
    void noBarrierThatAxeCanFindAndNothingWiderThanAPhone(String path, String theme, String tab, String shows) {
        Page page = Served.open(path);
        if (theme.equals("night")) {
            button(page, "Night").click();
        }
        if (!tab.isEmpty()) {
            button(page, tab).click();
        }
        assertThat(page.locator("main")).not().containsText("Reading the");
        assertThat(page.locator(shows).first()).isVisible();
        Barriers.none(page);
        page.setViewportSize(400, 850);
        assertThat(page.locator(shows).first()).isVisible();
        page.waitForFunction("() => document.documentElement.scrollWidth <= innerWidth");
    }

    /** Measured as it stands on the screen: no name cut at an edge, none over a line. */
    @ParameterizedTest
    @ValueSource(strings = {"LG-07", "FB-02", "BP-11", "NH-04", "SW-03", "WD-05", "DR-09", "PL-01"})
    void everyDrawingIsWholeAndReadable(String tag) {
        Page page = Served.open("/unit/" + tag + "/sheet");
        button(page, "psi").click();
        assertThat(page.locator("svg.circuit .value")
                        .filter(new Locator.FilterOptions().setHasText("psi"))
                        .first())
                .isVisible();
        assertThat((List<?>) page.evaluate(DRAWN)).as(tag).isEmpty();
        // Nearer, what was in the middle is still there; fit shows all of it again.
        Locator circuit = page.locator("svg.circuit");
        String all = circuit.getAttribute("viewBox");
        button(page, "Nearer").click();
        assertThat(circuit).not().hasAttribute("viewBox", all);
        String near = circuit.getAttribute("viewBox");
        button(page, "Fit").click();
        assertThat(circuit).not().hasAttribute("viewBox", near);
        assertThat((List<?>) page.evaluate(DRAWN)).as(tag).isEmpty();
    }

    private static final String DRAWN = """
            () => {
              const svg = document.querySelector('svg.circuit')
              const edge = svg.getBoundingClientRect()
              const boxes = [...svg.querySelectorAll('text')].filter((t) => t.textContent.trim())
                .map((t) => [t.textContent.trim(), t.getBoundingClientRect()])
              const lines = [...svg.querySelectorAll('path.wire, path.pilot')]
                .filter((w) => !w.closest('[transform]')).map((w) => w.getBoundingClientRect())
              const over = (a, b, by) =>
                a.left + by < b.right && b.left < a.right - by && a.top + by < b.bottom && b.top < a.bottom - by
              const bad = []
              for (const [name, box] of boxes) {
                if (box.left < edge.left - 1 || box.right > edge.right + 1 || box.top < edge.top - 1
                    || box.bottom > edge.bottom + 1) bad.push(name + ' is cut')
                if (lines.some((l) => over(box, l, 3))) bad.push(name + ' lies over a line')
                if (boxes.some(([, o]) => o !== box && over(box, o, 4))) bad.push(name + ' lies over another name')
              }
              return bad
            }""";

    @Test
    void aUnitIsFoundByTypingAndTheKeysAreShownOnAsking() {
        Page page = Served.open("/");
        assertThat(page.locator("article")).hasCount(Units.DEMO.size());
        page.keyboard().press("/");
        page.keyboard().type("net haul");
        assertThat(page.locator("article")).hasCount(1);
        assertThat(page.locator("article")).containsText("NH-04");
        page.getByRole(AriaRole.SEARCHBOX).fill("nothing of the kind");
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("No unit has \"nothing of the kind\"");
        button(page, "Show all").click();
        assertThat(page.locator("article")).hasCount(Units.DEMO.size());
        page.locator("h1").click();
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("go to the reading");
        Barriers.none(page);
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
        page.getByRole(AriaRole.SEARCHBOX).fill("LG-07");
        page.keyboard().press("Enter");
        assertThat(page.locator("svg.circuit")).isVisible();
    }
}
