package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import earlygate.fixture.Effort;
import earlygate.server.Certified;
import earlygate.server.OnTheRig;
import earlygate.server.Server;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/**
 * The units that no journey here walks by its buttons: one hand works over HTTP; the curves are taken on the screen, and
 * what they tell stands on the record.
 */
class CurvesOnScreenTest extends OnAFreshServer {
    private static final List<String> HELD = new ArrayList<>();
    private static final List<String> HELD_BY_ANOTHER = new ArrayList<>();

    /** Said by likelihood: of two that the readings hardly tell apart it may be the other, but not as a habit. */
    @AfterAll
    static void itsOwnScrewIsSaidToHoldTheGauge() {
        assertThat(HELD_BY_ANOTHER).hasSizeLessThanOrEqualTo(HELD.size() / 10);
    }

    /** A hand over HTTP that goes to the screen for each curve; under --long the screen follows each step. */
    private static final class Followed extends OnTheRig {
        private final Page page;
        private final Technician technician;
        private final String address;

        Followed(String tag) {
            super(Served.server(), Server.object().put("tag", tag).put("technician", "Ada Marsh"));
            page = Served.timed("/");
            address = "/unit/" + tag + "/run/" + run();
            technician = Effort.LONG ? new Technician(page) : new AtTheCurve();
        }

        /** Its load is opened over HTTP: two journeys open theirs by the handles of the page. */
        private final class AtTheCurve extends Technician {
            AtTheCurve() {
                super(Followed.this.page);
            }

            @Override
            void open(String load, double percent) {
                rig("open", load, percent / 100, "");
            }
        }

        void show() {
            if (!page.url().endsWith(address)) {
                page.navigate(Served.server().base() + address);
            }
        }

        @Override
        protected void begin(JsonNode step) {
            String title = step.get("action").asString();
            boolean curve = title.matches("(Curve|Margin) of .*");
            boolean load = title.matches("Open \\S+ until .*");
            // At two speeds the flow is read and written down, which only a hand on the screen does.
            boolean shown = curve || load && title.contains(" rev/min ");
            if (!Effort.LONG && !shown) {
                super.begin(step);
                return;
            }
            show();
            assertThat(page.locator("article.step h1")).hasText(title);
            technician.fits();
            if (title.startsWith("Put the machine so: ")) {
                technician.prepare(title);
            }
            if (!curve && !load) {
                super.begin(step);
                return;
            }
            arrange(step.get("situation"));
            technician.prepare(title);
            if (curve) {
                arrange(step.get("situation"));
            }
            look();
            if (!Effort.LONG) {
                // What nobody looks at need not be drawn.
                Served.leave(page);
            }
        }
    }

    /** Whose curves no journey takes; under --long every unit that no journey walks. */
    static Stream<Arguments> units() {
        Stream<Arguments> curves = Stream.of(
                Arguments.of("BP-11", "Volumetric efficiency, Override at rated flow"),
                Arguments.of("NH-04", "Margin"),
                Arguments.of("DR-09", "Volumetric efficiency, Power limit"));
        return Effort.LONG
                ? Stream.concat(
                        curves, Stream.of("FB-02", "SW-03", "WD-05").map(t -> Arguments.of(t, "Volumetric efficiency")))
                : curves;
    }

    /** @param found what the record's curves name, one for each curve, split by commas */
    @ParameterizedTest
    @MethodSource("units")
    void eachCurveIsTakenByHand(String tag, String found) {
        Followed hand = new Followed(tag);
        hand.walk();
        Certified.onTheRig(Served.server(), hand.run());
        assertThat(hand.held()).as(tag).isNotEmpty();
        HELD.addAll(hand.held());
        HELD_BY_ANOTHER.addAll(hand.heldWrongly());
        hand.show();
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
