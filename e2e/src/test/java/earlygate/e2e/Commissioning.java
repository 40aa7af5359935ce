package earlygate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.ViewportSize;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.api.Assertions;

/** A whole run of a unit by its screws and its curves, to a passed record, signed, locked and proved. */
final class Commissioning {
    private Commissioning() {}

    /** @param found what the record's curves must name; none for a unit that takes none */
    static void byItsScrews(String tag, String... found) {
        Page page = Journey.start(tag, "Practice rig");
        assertThat(page.locator("article.step")).isVisible();
        new Technician(page).walkTo("");
        Journey.link(page, "Open the record").click();
        assertThat(page.locator(".outcome")).containsText("Passed");
        assertThat(page.locator(".outcome")).containsText("on the practice rig");
        for (String parameter : found) {
            assertThat(page.locator(".proof .found")
                            .filter(new Locator.FilterOptions().setHasText(parameter))
                            .first())
                    .isVisible();
        }
        assertThat(page.locator(".test h3 .verdict.pass"))
                .hasCount(page.locator(".test").count());
        attach(page);
        onAPhone(page);
        sign(page);
        assertThat(page.locator(".attached input[type=file]")).hasCount(0);
        certificate(page, tag, found);
        prove(page, tag);
        page.navigate(page.url().replaceAll("/prove.*", "/"));
        assertThat(page.locator("article").filter(new Locator.FilterOptions().setHasText(tag)))
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

    /** The whole record of a finished run, its tests, curves and pictures: nothing makes it wider than a phone. */
    private static void onAPhone(Page page) {
        ViewportSize bench = page.viewportSize();
        page.setViewportSize(400, 850);
        page.waitForFunction("() => document.documentElement.scrollWidth <= innerWidth");
        page.setViewportSize(bench.width, bench.height);
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

    private static void certificate(Page page, String tag, String... found) {
        APIResponse pdf = page.request()
                .get(page.locator("a.main").evaluate("a => a.href").toString());
        try (var document = Loader.loadPDF(pdf.body())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setEndPage(2);
            String front = stripper.getText(document);
            Assertions.assertThat(front)
                    .contains(
                            tag, "Passed", "Ada Marsh, ", "Bea Sluys, ", "the last seal is ", "Tests of the finished");
            for (String parameter : found) {
                Assertions.assertThat(front).contains(parameter);
            }
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** The file that the page exports, put back into the page that proves it. */
    private static void prove(Page page, String tag) {
        Download proof = page.waitForDownload(() -> Journey.link(page, "Proof").click());
        Journey.link(page, "Prove a record").click();
        // Under its own name: a file without an ending is none of the kind that is asked for.
        Path file = proof.path().resolveSibling(proof.suggestedFilename());
        proof.saveAs(file);
        page.locator("input[type=file]").setInputFiles(file);
        assertThat(page.locator(".answer")).containsText("is whole");
        assertThat(page.locator(".answer")).containsText("Record of " + tag);
        assertThat(page.locator(".answer")).containsText("the one that was signed for");
    }
}
