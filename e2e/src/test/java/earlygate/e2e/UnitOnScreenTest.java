package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import earlygate.server.Certified;
import earlygate.server.OnTheRig;
import earlygate.server.Server;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/**
 * The units that no journey here walks by its buttons: one hand works over HTTP while the screen follows, step by step; the
 * curves are taken on the screen, and what they tell stands on the record.
 */
class UnitOnScreenTest {
    private static final List<String> HELD = new ArrayList<>();
    private static final List<String> HELD_BY_ANOTHER = new ArrayList<>();

    /** Said by likelihood: of two that the readings hardly tell apart it may be the other, but not as a habit. */
    @AfterAll
    static void itsOwnScrewIsSaidToHoldTheGauge() {
        assertThat(HELD_BY_ANOTHER).hasSizeLessThanOrEqualTo(HELD.size() / 10);
    }

    /** A hand over HTTP that is followed on a page, and goes to the page for loads, levers and curves. */
    private static final class Followed extends OnTheRig {
        private final Page page;
        private final Technician technician;

        Followed(String tag) {
            super(Served.server(), Server.object().put("tag", tag).put("technician", "Ada Marsh"));
            page = Served.open("/unit/" + tag + "/run/" + run());
            technician = new Technician(page);
        }

        @Override
        protected void begin(JsonNode step) {
            String title = step.get("action").asString();
            assertThat(page.locator("article.step h1")).hasText(title);
            technician.fits();
            if (title.startsWith("Put the machine so: ")) {
                technician.prepare(title);
            }
            if (!title.matches("(Curve|Margin) of .*|Open \\S+ until .*")) {
                super.begin(step);
                return;
            }
            arrange(step.get("situation"));
            technician.prepare(title);
            if (!title.startsWith("Open")) {
                arrange(step.get("situation"));
            }
            look();
        }
    }

    /** @param found what the record's curves name, one for each curve, split by commas */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "FB-02 | Volumetric efficiency",
                "BP-11 | Volumetric efficiency, Override at rated flow",
                "NH-04 | Margin",
                "SW-03 | Volumetric efficiency",
                "WD-05 | Volumetric efficiency",
                "DR-09 | Volumetric efficiency, Power limit"
            })
    void eachStepFitsAndEachCurveIsTakenByHand(String tag, String found) {
        Followed hand = new Followed(tag);
        hand.walk();
        Certified.onTheRig(Served.server(), hand.run());
        assertThat(hand.held()).as(tag).isNotEmpty();
        HELD.addAll(hand.held());
        HELD_BY_ANOTHER.addAll(hand.heldWrongly());
        Page page = hand.page;
        Journey.link(page, "Open the record").click();
        assertThat(page.locator(".outcome")).containsText("Passed");
        for (String parameter : found.split(", ")) {
            assertThat(page.locator(".proof .found")
                            .filter(new Locator.FilterOptions().setHasText(parameter))
                            .first())
                    .isVisible();
        }
        assertThat(page.locator(".test h3 .verdict.pass"))
                .hasCount(page.locator(".test").count());
        Journey.onAPhone(page);
    }
}
