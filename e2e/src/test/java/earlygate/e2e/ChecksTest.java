package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import earlygate.server.OnTheRig;
import earlygate.server.Server;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

/** The checks of a phase stand in one list; what belongs on the record is written beside them, and some of it stops the job. */
class ChecksTest extends OnAFreshServer {
    private static Locator tick(Page page, String action) {
        return page.locator(".ticks li").filter(new Locator.FilterOptions().setHasText(action));
    }

    private static void choose(Page page, String label, String choice) {
        page.getByRole(
                        AriaRole.GROUP,
                        new Page.GetByRoleOptions().setName(label).setExact(true))
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(choice).setExact(true))
                .click();
    }

    @Test
    void checksAreTickedInOneListAndWhatIsWrittenIsKept() {
        Page page = Journey.start("WD-05", "At the machine");
        page.setViewportSize(1024, 768);
        assertThat(page.locator(".ticks li")).hasCount(6);
        assertThat(page.locator("article.step").boundingBox().width).isGreaterThan(600);
        tick(page, "Compare the unit").getByRole(AriaRole.CHECKBOX).check();
        assertThat(page.locator(".ticks")).containsText("1 of 6 checks ticked");
        assertThat(page.locator("h1")).containsText("Agree the target of RV1");
        // Those to come can't be ticked before this one; one that was done can be done again.
        assertThat(tick(page, "Agree the target of RD1").getByRole(AriaRole.CHECKBOX))
                .isDisabled();
        Journey.button(page, "Do step 1 again").click();
        assertThat(page.locator("h1")).containsText("Compare the unit");
        assertThat(page.locator(".ticks")).containsText("0 of 6 checks ticked");
        new Technician(page).walkTo("Check the oil");
        choose(page, "Filter indicator", "yellow");
        // Typed and not sent by itself: leaving the field keeps it.
        page.getByLabel("Cleanliness code").fill("18/16/13");
        Journey.button(page, "Done, next step Enter").click();
        page.locator(".log summary").click();
        assertThat(page.locator(".log")).containsText("18/16/13");
        assertThat(page.locator(".log")).containsText("yellow");
    }

    @Test
    void nobodyGoesOnWithAPumpThatTurnsTheWrongWay() {
        OnTheRig hand = new OnTheRig(
                Served.server(), Server.object().put("tag", "WD-05").put("technician", "Ada Marsh"));
        hand.walkTo("Take the lock off, jog M1");
        Page page = Served.open("/unit/WD-05/run/" + hand.run());
        Journey.button(page, "Yes, open the gate").click();
        choose(page, "Turns", "against the arrow");
        Locator next = page.locator("button.primary");
        assertThat(next).containsText("It turns against the arrow: lock out, put it right");
        assertThat(next).isDisabled();
        choose(page, "Turns", "with the arrow");
        Journey.button(page, "Done, next step Enter").click();
        assertThat(page.locator("h1")).containsText("Start M1 and flush");
    }

    /** Its sheet may say another thing by now, or be gone. */
    @Test
    void aRunIsReadOnTheGaugesThatItWasBegunWith() {
        Server server = Served.server();
        ObjectNode sheet = Server.unit().put("tag", "RU-01");
        server.post("/api/units", sheet);
        OnTheRig hand = new OnTheRig(server, Server.object().put("tag", "RU-01").put("technician", "Ada Marsh"));
        hand.walkTo("Start M1");
        sheet.withArray("testPoints").forEach(t -> ((ObjectNode) t).put("reads", "psi"));
        assertThat(server.put("/api/units/RU-01", sheet).status()).isEqualTo(200);
        Page page = Served.open("/unit/RU-01/run/" + hand.run());
        assertThat(page.locator(".instruments")).containsText("bar");
        assertThat(page.locator(".instruments")).not().containsText("psi");
        assertThat(server.ask("DELETE", "/api/units/RU-01?by=Supervisor").status())
                .isEqualTo(200);
        page.reload();
        assertThat(page.locator(".instruments")).containsText("of 34.5");
    }

    @Test
    void aRunIsLeftForAWhileAndGoneOnWith() {
        Page page = Journey.start("WD-05", "Practice rig");
        Locator rig = page.getByLabel("Practice rig", new Page.GetByLabelOptions().setExact(true));
        assertThat(rig).isVisible();
        Journey.button(page, "Pause").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("lock out and tag it");
        page.getByLabel("Why, and how does the machine stand?").fill("Lunch, M1 locked out");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).hasText("Lunch, M1 locked out");
        assertThat(page.locator("button.primary")).hasCount(0);
        // Nobody turns a screw of a machine that is left.
        assertThat(rig).hasCount(0);
        String run = page.url();
        page.navigate(run.replaceAll("/unit/.*", "/"));
        assertThat(page.locator("main")).containsText("Paused at step");
        page.navigate(run);
        Journey.button(page, "Go on").click();
        assertThat(page.locator("h1")).containsText("Compare the unit");
        assertThat(rig).isVisible();
        page.locator(".log summary").click();
        assertThat(page.locator(".log")).containsText("Paused: Lunch, M1 locked out");
    }
}
