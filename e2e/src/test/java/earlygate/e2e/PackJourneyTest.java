package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import earlygate.server.Certified;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** A battery pack by its screws from the first step to a record that is signed, locked and proved. */
class PackJourneyTest extends OnAFreshServer {
    @Test
    void fromTheFirstStepToAProvedRecord() {
        Page page = Journey.start("PL-01", "Practice rig");
        assertThat(page.locator("article.step")).isVisible();
        new Technician(page).walkTo("");
        Certified.onTheRig(Served.server(), Journey.run(page));
        Journey.link(page, "Open the record").click();
        assertThat(page.locator(".outcome")).containsText("Passed");
        assertThat(page.locator(".outcome")).containsText("on the practice rig");
        assertThat(page.locator(".test h3 .verdict.pass"))
                .hasCount(page.locator(".test").count());
        attach(page);
        Journey.onAPhone(page);
        sign(page);
        assertThat(page.locator(".attached input[type=file]")).hasCount(0);
        certificate(page);
        prove(page);
        page.navigate(page.url().replaceAll("/prove.*", "/"));
        assertThat(page.locator("article").filter(new Locator.FilterOptions().setHasText("PL-01")))
                .containsText("Not commissioned here yet");
    }

    /** A page that calls itself a photograph is none; a photograph is shown, and can be taken off until both have signed. */
    private static void attach(Page page) {
        Locator files = page.locator(".attached");
        Locator chooser = files.locator("input[type=file]");
        chooser.setInputFiles(new FilePayload("dial.jpg", "image/jpeg", "<html>no</html>".getBytes()));
        assertThat(files.locator("[role=alert]")).containsText("dial.jpg is neither a photograph (JPEG, PNG)");
        chooser.setInputFiles(new FilePayload("dial.png", "image/png", photograph()));
        assertThat(files.locator("li")).containsText("dial.png");
        // Pictures are fetched when they come into view.
        files.locator("img").scrollIntoViewIfNeeded();
        assertThat(files.locator("img")).hasJSProperty("naturalWidth", 30);
    }

    private static byte[] photograph() {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(new BufferedImage(30, 20, BufferedImage.TYPE_INT_RGB), "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static void sign(Page page) {
        Journey.button(page, "Sign").first().click();
        assertThat(Journey.button(page, "Sign")).hasCount(1);
        page.getByLabel("Witness").fill("ada marsh");
        Journey.button(page, "Sign").click();
        assertThat(page.locator(".sign [role=alert]")).containsText("the witness is somebody else");
        page.getByLabel("Witness").fill("Bea Sluys");
        Journey.button(page, "Sign").click();
        assertThat(page.locator(".sign")).containsText("Signed by both and locked, revision 1");
    }

    private static void certificate(Page page) {
        APIResponse pdf = page.request()
                .get(page.locator("a.main").evaluate("a => a.href").toString());
        try (var document = Loader.loadPDF(pdf.body())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setEndPage(2);
            String front = stripper.getText(document);
            Assertions.assertThat(front)
                    .contains(
                            "PL-01",
                            "Passed",
                            "Ada Marsh, ",
                            "Bea Sluys, ",
                            "the last seal is ",
                            "Tests of the finished");
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** The file that the page exports, put back into the page that proves it. */
    private static void prove(Page page) {
        Download proof = page.waitForDownload(() -> Journey.link(page, "Proof").click());
        Journey.link(page, "Prove a record").click();
        // Under its own name: a file without an ending is none of the kind that is asked for.
        Path file = proof.path().resolveSibling(proof.suggestedFilename());
        proof.saveAs(file);
        page.locator("input[type=file]").setInputFiles(file);
        assertThat(page.locator(".answer")).containsText("is whole");
        assertThat(page.locator(".answer")).containsText("Record of PL-01");
        assertThat(page.locator(".answer")).containsText("the one that was signed for");
    }
}
