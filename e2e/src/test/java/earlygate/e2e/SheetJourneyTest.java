package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static earlygate.e2e.Served.button;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.Media;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import org.junit.jupiter.api.Test;

/** From a schematic to a checked target sheet, through the real interface. */
class SheetJourneyTest {
    @Test
    void targetsAreCheckedAsTheyAreTyped() {
        Page page = Served.open("/unit/LG-07/sheet");
        button(page, "Target sheet").click();
        Locator relief = page.getByLabel("Target of RV1");
        relief.fill("168");
        Locator findings = page.getByLabel("Findings");
        assertThat(findings).containsText("RV1 cracks only 8 bar above P1 compensator");
        assertThat(findings).containsText("the schematic asks 176 bar");
        Barriers.none(page);
        page.getByText("Set RV1 to 174 bar").click();
        assertThat(relief).hasValue("174");
        relief.fill("17x");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("\"17x\" is not a number");
        relief.fill("176,5");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        button(page, "MPa").click();
        assertThat(relief).hasValue("17.65");
        button(page, "Undo").click();
        assertThat(relief).not().hasValue("17.65");
        button(page, "Redo").click();
        assertThat(relief).hasValue("17.65");
        button(page, "Circuit").click();
        assertThat(page.getByLabel("Staff of line P")).containsText("Line P, MPa");
    }

    /** The schematic is read from prime mover to work; what is missing is said until nothing is. */
    @Test
    void aUnitIsBuiltInTheOrderOfItsSchematic() {
        Page page = Served.open("/");
        button(page, "New unit").click();
        button(page, "A bare sheet").click();
        page.getByLabel("Tag").fill("SL-20");
        page.getByLabel("Name").fill("Sluice paddle drive");
        button(page, "To its sheet").click();
        assertThat(page.getByRole(AriaRole.ALERT)).isVisible();
        button(page, "Parts").click();
        chapter(page, "Prime movers");
        button(page, "Add electric motor").last().click();
        chapter(page, "Pumps and controls");
        button(page, "Add pump").click();
        page.getByLabel("Compensator", new Page.GetByLabelOptions().setExact(true))
                .check();
        page.getByLabel("Stands at").fill("120");
        chapter(page, "Pump line valves");
        button(page, "Add relief valve").click();
        button(page, "Add throttle").click();
        page.locator("#entry-RV1").getByLabel("Stands at").fill("150");
        chapter(page, "Test points");
        button(page, "Add to test points").click();
        page.getByLabel("Class").fill("0,6");
        chapter(page, "Work");
        button(page, "Add to work").click();
        page.getByLabel("Pressure", new Page.GetByLabelOptions().setExact(true)).fill("110");
        assertThat(page.getByText("values are defaults that nobody has confirmed yet"))
                .isVisible();
        button(page, "Target sheet").click();
        // Nothing is asked yet: 110 bar of work gives 124 for the compensator and 138 for the relief.
        assertThat(page.getByLabel("Target of P1 compensator")).hasValue("124");
        assertThat(page.getByLabel("Target of RV1")).hasValue("138");
        button(page, "Take it").first().click();
        button(page, "Take it").first().click();
        page.getByLabel("Your name").fill("Ada Marsh");
        button(page, "Save as new revision").click();
        assertThat(page.getByText("not saved yet")).hasCount(0);
        button(page, "Revisions").click();
        assertThat(page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Revision ")))
                .hasCount(2);
        assertThat(page.locator("table")).containsText("components › RV1");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Plan").setExact(true))
                .click();
        assertThat(page.locator("h1").first()).containsText("Lead with the");
    }

    @Test
    void theSecondOfTwoIsToldAndLosesNothing() {
        Page ann = Served.open("/unit/WD-05/sheet");
        Page ben = Served.beside("/unit/WD-05/sheet");
        for (Page page : List.of(ann, ben)) {
            button(page, "Target sheet").click();
        }
        ann.getByLabel("Target of P1 compensator").fill("138");
        ann.getByLabel("Your name").fill("Ann");
        ben.getByLabel("Target of RD1").fill("58");
        ben.getByLabel("Target of P1 compensator").fill("139");
        ben.getByLabel("Your name").fill("Ben");
        button(ann, "Save as new revision").click();
        assertThat(ann.getByText("not saved yet")).hasCount(0);
        button(ben, "Save as new revision").click();
        Locator clash = ben.getByLabel("Somebody else saved");
        assertThat(clash).containsText("Ann saved revision 2");
        assertThat(clash).containsText("targets › RD1 › pressureBar 60 → 58");
        clash.getByText("theirs: 138").click();
        button(ben, "Put mine on top of theirs").click();
        assertThat(ben.getByLabel("Target of P1 compensator")).hasValue("138");
        assertThat(ben.getByLabel("Target of RD1")).hasValue("58");
        button(ben, "Save as new revision").click();
        assertThat(ben.getByText("sheet revision 3").or(ben.getByText("not saved yet")))
                .hasCount(0);
        button(ben, "Circuit").click();
        assertThat(ben.getByText("sheet revision 3")).isVisible();
    }

    @Test
    void aBillOfSettingsIsLookedAtBeforeItIsTaken() throws IOException {
        Page page = Served.open("/unit/SW-03/sheet");
        button(page, "Target sheet").click();
        String csv = "setting;target;unit;tolerance\nRX;103,5;bar;3\nRX;90;bar;3\nRZ;90;bar;3\n";
        page.locator("input[type=file]").setInputFiles(new FilePayload("bill.csv", "text/csv", csv.getBytes()));
        assertThat(page.locator(".preview")).containsText("3 rows, 1 would change the sheet");
        assertThat(page.locator(".preview")).containsText("There is no setting \"RZ\"");
        button(page, "Take them into the sheet").click();
        assertThat(page.getByLabel("Target of RX")).hasValue("103.5");
        button(page, "Undo").click();
        assertThat(page.getByLabel("Target of RX")).hasValue("105");
        Download bill = page.waitForDownload(
                () -> button(page, "Bill of settings as CSV").click());
        assertThat(Files.readString(bill.path())).contains("SW-03,RX,105,bar,4");
        button(page, "Circuit").click();
        Download svg = page.waitForDownload(() -> button(page, "SVG").click());
        assertThat(Files.readString(svg.path()))
                .startsWith("<svg")
                .contains("RX")
                .doesNotContain("class=");
        // On paper it stands alone under its name, dark on white even from a screen by night.
        button(page, "Night").click();
        page.evaluate("() => { window.print = () => {} }");
        button(page, "Print").click();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(page.locator(".printed-alone svg")).isVisible();
        assertThat(page.locator("#app")).isHidden();
        assertThat(page.locator(".printed-alone h1")).hasText("SW-03");
        assertThat(page.locator(".printed-alone h1")).hasCSS("color", "rgb(24, 32, 31)");
        page.evaluate("() => window.dispatchEvent(new Event('afterprint'))");
        assertThat(page.locator(".printed-alone")).hasCount(0);
        assertThat(page.locator("#app")).isVisible();
    }

    @Test
    void whatIfMovesDrawingStaffAndMotor() {
        Page page = Served.open("/unit/SW-03/sheet");
        assertThat(page.locator(".gauge").filter(new Locator.FilterOptions().setHasText("GX")))
                .containsText("0 bar");
        Served.choose(page, "Position of DV1", "east");
        assertThat(page.locator(".gauge").filter(new Locator.FilterOptions().setHasText("GX")))
                .containsText("113.9 bar");
        // Whoever holds a line is marked, and an open relief is drawn open.
        assertThat(page.getByLabel("Part RX")).containsText("RX ◆");
        assertThat(page.getByLabel("Part RX").locator(".passing")).hasCount(1);
        assertThat(page.getByLabel("Part RY").locator(".passing")).hasCount(0);
        page.getByLabel("M1 running").uncheck();
        assertThat(page.locator(".gauge").filter(new Locator.FilterOptions().setHasText("GX")))
                .containsText("0 bar");
        // A symbol leads to its part, by keyboard as well.
        page.getByLabel("Part RX").focus();
        page.keyboard().press("Enter");
        button(page, "All its fields").click();
        assertThat(page.locator("#entry-RX")).isVisible();
    }

    private static Locator figure(Page page, String label) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(label));
    }

    @Test
    void aReckonedFigureGoesToItsFieldAndAnInstrumentToItsTestPoint() {
        Page page = Served.open("/reckoner?unit=DR-09");
        figure(page, "Force").fill("100000");
        figure(page, "Bore").fill("1OO");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("is not a number");
        figure(page, "Bore").fill("100");
        assertThat(page.locator(".formula")).containsText("100000 N / 78.54 cm2 = 127.3 bar");
        button(page, "Send to a sheet …").first().click();
        Served.choose(page, "Field of the sheet", "pressure of work dredge pump, water");
        assertThat(page.getByText("not saved yet")).isVisible();
        button(page, "Target sheet").click();
        assertThat(page.locator("table").last()).containsText("127.3 bar");

        page.navigate(page.url().replace("/unit/DR-09/sheet", "/instruments"));
        // Found by its words, in the order of its range whatever its unit; a column's head is pressed by key too.
        Locator rows = page.locator("tbody tr");
        page.getByLabel("Find: name, kind").fill("gauge ran");
        assertThat(rows).hasCount(1);
        assertThat(rows.first()).containsText("0 to 5000 psi");
        page.getByLabel("Find: name, kind").fill("gauge");
        page.locator("th")
                .filter(new Locator.FilterOptions().setHasText("Range"))
                .focus();
        page.keyboard().press("Enter");
        assertThat(rows.first()).containsText("0 to 100 bar");
        assertThat(rows.nth(3)).containsText("0 to 5000 psi");
        button(page, "Fit Divers' gauge, oxygen only").click();
        Served.choose(page, "Unit", "DR-09");
        Served.choose(page, "Test point", "G1 on line P");
        button(page, "Fit and check").click();
        assertThat(page.locator(".remarks")).containsText("has seen oxygen");
        assertThat(page.locator(".remarks")).containsText("reads to 250 bar");
    }

    /** A section relief at the pump's gauge: target plus the standby that was really measured. */
    @Test
    void measuredStandbyMovesWhatThePumpsGaugeMustShow() {
        Page page = Served.open("/unit/NH-04/sheet");
        button(page, "Target sheet").click();
        Locator row = page.locator("tr").filter(new Locator.FilterOptions().setHasText("S1 relief B"));
        assertThat(row).containsText("GP 194.6");
        page.getByLabel("Standby of P1 as measured").fill("23,5");
        assertThat(row).containsText("GP 198.1");
    }

    @Test
    void fiveTraitsNameTheValve() {
        Page page = Served.open("/reckoner?unit=WD-05");
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Which valve is this?"))
                .click();
        for (String trait : List.of("OWN_OUTLET", "OPEN", "false", "EXTERNAL", "BEFORE_ACTUATOR")) {
            page.locator("input[value=" + trait + "]").check();
        }
        assertThat(page.locator(".answer")).containsText("Reducing valve");
        Served.choose(page, "On the sheet of WD-05 it is", "RV1, relief valve");
        assertThat(page.locator(".answer")).containsText("The sheet says relief valve");
        Served.choose(page, "On the sheet of WD-05 it is", "RD1, reducing valve");
        assertThat(page.locator(".answer")).containsText("That is what the sheet says");
    }

    @Test
    void aRemovedUnitIsBroughtBack() {
        Page page = Served.open("/");
        Locator dredge = page.locator("article").filter(new Locator.FilterOptions().setHasText("DR-09"));
        dredge.getByLabel("More for DR-09").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Remove"))
                .click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("DR-09 is removed");
        assertThat(dredge).hasCount(0);
        assertThat(page.getByLabel("Bring back DR-09")).isVisible();
        button(page, "Undo").click();
        assertThat(page.getByText("DR-09 is back.")).isVisible();
        assertThat(dredge).hasCount(1);
    }

    /** After an upgrade an open page asks for a part that is gone: it loads itself anew, and then the part is there. */
    @Test
    void aPageLeftOpenOverAnUpgradeLoadsItselfAnew() {
        Page page = Served.open("/");
        assertThat(page.locator("article")).not().hasCount(0);
        page.evaluate("document.body.dataset.leftOpen = 'yes'");
        page.route("**/assets/ReckonerPage*", gone -> gone.fulfill(new Route.FulfillOptions().setStatus(404)));
        page.locator("header").getByText("Reckoner").click();
        assertThat(page.locator("body[data-left-open]")).hasCount(0);
        page.unrouteAll();
        page.locator("header").getByText("Reckoner").click();
        assertThat(page.locator("h1").first()).containsText("Cylinder: force to pressure");
    }

    private static void chapter(Page page, String name) {
        page.getByLabel("In the order of the schematic")
                .getByRole(AriaRole.OPTION, new Locator.GetByRoleOptions().setName(name))
                .click();
    }
}
