package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import org.junit.jupiter.api.Test;

/** What is typed, sent and taken back in a run, and a unit file that does not fit. */
class JourneyTest {
    @Test
    void aBadUnitFileIsRefusedWithItsPlaces() {
        Page page = Served.open("/");
        String bad = """
                {"format": "early-gate/unit/1", "tag": "ZZ-01", "name": "Bad", "colour": "red",
                 "fluid": {"viscosity40": 46, "tankL": -5}, "lines": [{"id": "P", "ratingBar": 250}],
                 "components": [{"id": "P1", "type": "pump", "driver": "M1", "inlet": "T", "outlet": "P",
                   "displacementCm3": 40, "ratedPressureBar": 250, "volumetricEfficiency": 0.9}],
                 "testPoints": [{"id": "G1", "line": "Q", "rangeBar": 250, "class": 1.6}]}
                """;
        page.locator("input[type=file]").setInputFiles(new FilePayload("bad.json", "application/json", bad.getBytes()));
        Locator problems = page.getByRole(AriaRole.ALERT);
        assertThat(problems).containsText("The unit file doesn't fit");
        assertThat(problems).containsText("Unknown key \"colour\"");
        assertThat(problems).containsText("fluid.tankL");
        assertThat(problems).containsText("\"M1\" can't drive a pump");
        assertThat(problems).containsText("There is no line \"Q\"");
        assertThat(page.getByText("ZZ-01")).hasCount(0);
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload("bad.json", "application/json", "not json".getBytes()));
        assertThat(problems).containsText("This is not JSON");
    }

    @Test
    void atTheMachineReadingsAreTypedWithoutAMouse() {
        Page page = Served.timed("/unit/LG-07/run");
        Journey.button(page, "Start").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Give the name");
        page.getByLabel("Who runs it").fill("Ada Marsh");
        page.getByText("At the machine", new Page.GetByTextOptions().setExact(true))
                .click();
        Journey.button(page, "Start").click();
        assertThat(page.locator("article.step")).isVisible();
        new Technician(page).walkTo("Prove zero pressure");
        page.locator("h1").click();
        page.keyboard().type("12b");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("\"12b\" is not a number");
        assertThat(page.getByLabel("Type what G1 reads")).hasValue("12b");
        page.getByLabel("Type what G1 reads").fill("0,4");
        page.keyboard().press("Enter");
        assertThat(page.locator(".verdict.pass")).isVisible();
        assertThat(page.locator(".got:not(.small)")).containsText("0.4 bar");
        assertThat(page.getByLabel("Type what G1 reads")).hasValue("");
        // Taken back it stays in the log, struck, and counts for nothing; a step taken back is at hand again.
        String step = page.locator("article.step > p").first().innerText();
        page.getByText("Undo: Read G1").click();
        assertThat(page.locator(".verdict")).hasCount(0);
        page.locator(".log summary").click();
        assertThat(page.locator(".log li.slip")).containsText("Read G1");
        page.getByLabel("Type what G1 reads").fill("0,4");
        page.keyboard().press("Enter");
        assertThat(page.locator(".verdict.pass")).isVisible();
        Journey.button(page, "Done, next step Enter").click();
        assertThat(page.locator("article.step > p").first()).not().hasText(step);
        page.getByText("is not done").click();
        assertThat(page.locator("article.step h1")).containsText("Prove zero pressure");
        page.locator(".home").click();
        assertThat(page.locator("article")
                        .filter(new Locator.FilterOptions().setHasText("LG-07"))
                        .locator(".place"))
                .containsText("Prove zero pressure");
    }

    /** Half typed, left and come back to; the network gone, a second Enter, a reload: one reading, once. */
    @Test
    void nothingTypedIsLostOrDoubled() {
        Page page = atTheMachine("DR-09");
        new Technician(page).walkTo("Prove zero pressure");
        page.getByLabel("Type what G1 reads").fill("0,");
        page.reload();
        assertThat(page.getByLabel("Type what G1 reads")).hasValue("0,");
        page.context().setOffline(true);
        page.getByLabel("Type what G1 reads").fill("0,4");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Type what G1 reads")).hasValue("");
        page.keyboard().press("Enter");
        assertThat(page.getByText("One entry waits")).isVisible();
        assertThat(page.locator(".reading")).containsText("waiting");
        page.getByLabel("Type what G1 reads").fill("12");
        page.context().setOffline(false);
        assertThat(page.locator(".verdict.pass")).isVisible();
        assertThat(page.getByLabel("Type what G1 reads")).hasValue("12");
        page.locator(".log summary").click();
        assertThat(page.locator(".log li").filter(new Locator.FilterOptions().setHasText("Read G1")))
                .hasCount(1);
    }

    /** Two people on one run: whoever only looks sees the other go on at once. */
    @Test
    void twoTabsFollowEachOther() {
        Page one = atTheMachine("BP-11");
        assertThat(one.locator("article.step")).isVisible();
        Page two = one.context().newPage();
        two.navigate(one.url());
        assertThat(two.locator("article.step > p").first()).containsText("Step 1 of");
        one.locator("button.primary").click();
        assertThat(two.locator("article.step > p").first()).containsText("Step 2 of");
        two.locator("button.primary").click();
        assertThat(one.locator("article.step > p").first()).containsText("Step 3 of");
    }

    /** Turns at a machine are entered as they were made, and a slip is named. */
    @Test
    void turnsAreEnteredAsTheyWereMade() {
        Page page = atTheMachine("SW-03");
        new Technician(page).walkTo("Turn P1 compensator all the way in");
        assertThat(page.locator("button.primary")).isDisabled();
        page.getByLabel("Whole turns").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("2").setExact(true))
                .click();
        page.getByLabel("Part of a turn").click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("7/8").setExact(true))
                .click();
        page.getByText("2 7/8 in, and it is at its end").click();
        assertThat(page.locator("button.primary")).containsText("Done");
        page.locator(".log summary").click();
        assertThat(page.locator(".log")).containsText("Turned P1 compensator 2 7/8 turns in, to its end");
        page.locator(".aside summary").click();
        page.getByText("That was a slip").first().click();
        assertThat(page.locator("button.primary")).isDisabled();
        assertThat(page.locator(".log li.slip")).containsText("2 7/8 turns in");
    }

    private static Page atTheMachine(String tag) {
        return Journey.start(tag, "At the machine");
    }
}
