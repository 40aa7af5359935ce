package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** From the plates of a machine that nobody has entered yet to its plan, each entry and each click counted. */
class NewUnitTest {
    private int entries;
    private int clicks;

    private void click(Page page, String name) {
        clicks++;
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .first()
                .click();
    }

    private void enter(Page page, String place, String text) {
        entries++;
        page.locator(place).fill(text);
    }

    private void plates(Page page, String written) {
        for (String one : written.split("; ")) {
            int gap = one.indexOf(' ');
            enter(page, "[data-asked=" + one.substring(0, gap) + "]", one.substring(gap + 1));
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "NU-07 | Compensated pump and relief | 25 | 40 | Back RV1 out until it just cracks"
                        + "| power 18,5; speed 1465; current 34.5; displacement 40 cm3; pump-rating 3626 psi;"
                        + " compensator 160; compensator-tolerance 4; relief 176 bar; relief-tolerance 4; gauge 250;"
                        + " work-pressure 142; work-flow 38; tank 120",
                "NU-03 | Motor with cross-port reliefs | 40 | 60 | RV2"
                        + "| power 22; speed 1465; current 41,5; displacement 45; pump-rating 250; compensator 134;"
                        + " compensator-tolerance 4; relief 150; relief-tolerance 4; cross-port 105;"
                        + " cross-port-tolerance 4; motor-line-rating 210; motor-displacement 400; gauge 250; work-pressure 88; work-flow 40;"
                        + " tank 160"
            })
    void fromThePlatesToThePlan(String tag, String circuit, int most, int mostClicks, String sets, String plates) {
        Page page = Served.open("/");
        click(page, "New unit");
        click(page, circuit);
        enter(page, "#begin-tag", tag);
        enter(page, "#begin-name", "As its plates say");
        plates(page, plates);
        // Circuit and staffs have grown beside it, with what is nobody's word yet said.
        assertThat(page.getByText("values are rules of thumb")).isVisible();
        assertThat(page.getByLabel("Staff of line P", new Page.GetByLabelOptions().setExact(false))
                        .first())
                .isVisible();
        Barriers.none(page);
        click(page, "Plan it");
        assertThat(page.getByText(sets).first()).isVisible();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        assertThat(entries).as("entries").isLessThanOrEqualTo(most);
        assertThat(clicks).as("clicks").isLessThanOrEqualTo(mostClicks);
    }

    /** A slip is said beside it, what is open is counted, and a lost page forgets nothing. */
    @Test
    void whatIsTypedIsCheckedAndKept() {
        Page page = Served.open("/new?by=fixed-pump");
        page.locator("#begin-tag").fill("NU-11");
        page.locator("#begin-name").fill("Paint store lift");
        page.locator("[data-asked=power]").fill("11 horses");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("\"horses\" is no unit for this. Use one of kW, hp");
        page.locator("[data-asked=power]").fill("15 hp");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        assertThat(page.getByText("6 more to fill in")).isVisible();
        page.reload();
        assertThat(page.locator("[data-asked=power]")).hasValue("15 hp");
        // Enter leads to what is still open.
        page.locator("#begin-name").press("Enter");
        assertThat(page.locator("[data-asked=speed]")).isFocused();
        List.of("speed 1460", "displacement 22", "pump-rating 210", "relief 150", "work-pressure 120", "work-flow 28")
                .forEach(one -> page.locator("[data-asked=" + one.substring(0, one.indexOf(' ')) + "]")
                        .fill(one.substring(one.indexOf(' ') + 1)));
        click(page, "To its sheet");
        assertThat(page.getByText("values are defaults that nobody has confirmed yet"))
                .isVisible();
        assertThat(page.locator("main")).containsText("Paint store lift");
    }

    /** Like another: all of it but its name. */
    @Test
    void aUnitLikeAnotherOne() {
        Page page = Served.open("/new?by=like:WD-05");
        page.locator("#begin-tag").fill("WD-06");
        page.locator("#begin-name").fill("Timber-dog bank, west");
        click(page, "To its sheet");
        assertThat(page.getByLabel("Staff of line R")).isVisible();
        Page again = Served.beside("/new?by=like:WD-05");
        again.locator("#begin-tag").fill("WD-06");
        again.locator("#begin-name").fill("The same tag once more");
        click(again, "To its sheet");
        assertThat(again.getByRole(AriaRole.ALERT)).containsText("WD-06");
    }
}
