package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A machine's years: read, added to from paper and from a table, taken away and brought back. */
class HistoryJourneyTest {
    private static Locator trend(Page page, String of) {
        return page.locator(".trends .card").filter(new Locator.FilterOptions().setHasText(of));
    }

    private static Locator columns(Page page) {
        return page.locator(".p-datatable-thead .head");
    }

    @Test
    void paperIsTypedInAndTakenBack() {
        Page page = Served.open("/unit/PL-01/sheet");
        Journey.link(page, "History").click();
        assertThat(columns(page)).hasCount(3);
        assertThat(trend(page, "RV1")).containsText("creeps");
        assertThat(trend(page, "volumetric efficiency")).containsText("worn");
        assertThat(trend(page, "RV1").locator("svg").first()).isVisible();
        Barriers.none(page);
        Journey.button(page, "Add an older record").click();
        page.getByLabel("Day of the work").fill("2022-05-10");
        page.getByLabel("Technician then").fill("Tom Weir");
        page.getByLabel("Who puts it in").fill("Bea Sluys");
        page.getByLabel("RV1: As left, bar").fill("about 150");
        Journey.button(page, "Keep this record").click();
        assertThat(page.getByText("RV1: \"about 150\" is no number.")).isVisible();
        // Of another unit than the screen's, as paper has it.
        page.getByLabel("RV1: As left, bar").fill("2176 psi");
        page.getByLabel("Day of the work").fill("2099-05-10");
        Journey.button(page, "Keep this record").click();
        assertThat(page.locator(".problems")).containsText("2099-05-10");
        page.getByLabel("Day of the work").fill("2022-05-10");
        Journey.button(page, "Keep this record").click();
        assertThat(columns(page)).hasCount(4);
        assertThat(columns(page).first()).containsText("10 May 2022");
        assertThat(columns(page).first()).containsText("by Bea Sluys");
        assertThat(page.locator(".p-datatable-tbody tr").first()).containsText("150 bar");
        Journey.button(page, "Take away").first().click();
        assertThat(columns(page)).hasCount(3);
        page.locator(".p-toast").getByRole(AriaRole.BUTTON).first().click();
        assertThat(columns(page)).hasCount(4);
        Journey.button(page, "Take away").first().click();
        assertThat(columns(page)).hasCount(3);
    }

    @Test
    void aTableFillsTheFormAndAFileOfAnotherUnitDoesNot(@TempDir Path folder) throws IOException {
        Path table = Files.writeString(
                folder.resolve("paper.csv"), "setting,as found,as left,unit,reason\nRV1,170,176,bar,seal weeps\n");
        Path other = Path.of("../demo/records/FB-02-2023-02-14.json");
        Page page = Served.open("/unit/LG-07/history");
        Journey.button(page, "Add an older record").click();
        page.locator("input[type=file]").setInputFiles(other);
        assertThat(page.locator(".problems")).containsText("This is a record of FB-02; here is LG-07");
        page.locator("input[type=file]").setInputFiles(table);
        assertThat(page.getByText("Read from paper.csv")).isVisible();
        assertThat(page.getByLabel("RV1: As found, bar")).hasValue("170");
        assertThat(page.getByLabel("RV1: Why elsewhere")).hasValue("seal weeps");
        assertThat(page.locator(".problems")).hasCount(0);
        Journey.button(page, "Leave it").click();
        assertThat(columns(page)).hasCount(3);
        Served.choose(page, "Choose a unit", "SW-03");
        assertThat(page.getByText("SW-03, last left")).isVisible();
        assertThat(page.getByText("There is only one revision of this sheet.")).isVisible();
    }
}
