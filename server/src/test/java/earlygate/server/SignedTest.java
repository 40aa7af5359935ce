package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import earlygate.server.Server.Answer;
import earlygate.server.documents.ForeignSvg;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Names under a record: two, of two people, after the work; then nothing moves but by amendment. */
class SignedTest {
    private static final Server server = Finished.SERVER;

    private static Answer sign(long run, String role, String name) {
        return server.event(run, "signed", object().put("note", role).put("text", name));
    }

    private static JsonNode record(long run) {
        return server.get("/api/runs/" + run + "/record").json();
    }

    @Test
    void aRecordIsSignedByTwoAndLockedAndAmended() throws IOException {
        long open = server.startRun(false);
        assertThat(sign(open, "technician", "A. Marsh").problem()).contains("signed once every step is done");
        assertThat(server.event(open, "live-point", object().put("step", "s1")).status())
                .isEqualTo(409);
        long run = Finished.RUN;
        String finished = record(run).get("finishedAt").asString();
        long file = FilesTest.attach(server, run, "dial", FilesTest.image("png", 8))
                .json()
                .at("/0/seq")
                .asLong();
        assertThat(record(run).get("finishedAt").asString())
                .as("a file is no work")
                .isEqualTo(finished);
        assertThat(sign(run, "owner", "A. Marsh").status()).isEqualTo(422);
        assertThat(sign(run, "technician", " ").problem()).contains("A name of 1 to 80");
        assertThat(sign(run, "technician", "A. Marsh").status()).isEqualTo(200);
        assertThat(sign(run, "witness", "a. marsh").problem()).contains("the witness is somebody else");
        Answer early =
                server.event(run, "amended", object().put("text", "found later").put("releasedBy", "C. Reed"));
        assertThat(early.problem()).contains("before that nothing needs amending");
        assertThat(record(run).at("/signed/locked").asBoolean()).isFalse();
        assertThat(sign(run, "witness", "B. Sluys").status()).isEqualTo(200);
        assertThat(sign(run, "witness", "C. Reed").problem()).contains("B. Sluys has signed here already");

        Answer late = server.event(
                run,
                "reading",
                object().put("step", "s1").put("instrument", "G1").put("text", "1"));
        assertThat(late.problem()).contains("the record is locked");
        assertThat(FilesTest.attach(server, run, "late", FilesTest.image("png", 9))
                        .problem())
                .contains("locked");
        assertThat(FilesTest.off(server, run, file).problem()).contains("locked");
        assertThat(server.get("/api/runs/" + run + "/files").json()).hasSize(1);
        Answer amended = server.event(
                run,
                "amended",
                object().put("text", "Gauge G1 was due for calibration the day after.")
                        .put("releasedBy", "C. Reed"));
        assertThat(amended.status()).isEqualTo(200);
        JsonNode record = record(run);
        assertThat(record.at("/signed/locked").asBoolean()).isTrue();
        assertThat(record.at("/signed/revision").asInt()).isEqualTo(2);
        assertThat(record.get("finishedAt").asString()).isEqualTo(finished);
        assertThat(record.get("outcome").asString()).isEqualTo("passed");

        byte[] pdf = server.get("/api/runs/" + run + "/record.pdf").bytes();
        Archived.isFit(pdf);
        try (var document = Loader.loadPDF(pdf)) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setEndPage(1);
            String front = stripper.getText(document);
            String seal = server.get("/api/runs/" + run + "/proof.json")
                    .json()
                    .get("seal")
                    .asString();
            assertThat(front)
                    .contains("A. Marsh, ", "B. Sluys, ", "Revision 2, amended by C. Reed", seal, "RV1", "compensator")
                    .contains("G1 was due for calibration");
        }
        ObjectNode proof =
                (ObjectNode) server.get("/api/runs/" + run + "/proof.json").json();
        assertThat(RecordSchemaTest.problems("proof", proof))
                .as("what is signed and attached too")
                .isEmpty();
        JsonNode proved = server.post("/api/prove", proof).json();
        assertThat(proved.get("whole").asBoolean()).as(proved.toString()).isTrue();
        assertThat(proved.get("sheetSealed").asBoolean()).isTrue();
        // A better gauge would make a better verdict: the sheet that was signed for is not to be exchanged.
        ((ObjectNode) proof.at("/unit/testPoints/0")).put("class", 0.1);
        assertThat(server.post("/api/prove", proof).json().get("place").asString())
                .isEqualTo("unit");
    }

    /** A circuit goes along as shapes and words alone, whatever else a page would send. */
    @Test
    void theCircuitIsOnTheCertificate() throws IOException {
        long run = server.startRun(false);
        String path = "/api/runs/" + run + "/record.pdf";
        String drawing = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 50' onload='run()'>"
                + "<script>run()</script><image href='file:///etc/passwd'/><style>@import url(http://elsewhere)</style>"
                + "<path d='M 0 0 H 50' stroke='rgb(210, 10, 10)' stroke-width='9px' fill='url(#x)'/>"
                + "<text x='5' y='20' font-size='12px' onclick='run()'>Relief &amp; drawing</text></svg>";
        assertThat(ForeignSvg.read(drawing, "Circuit", 500, 230))
                .contains("M 0 0 H 50", "rgb(210, 10, 10)", "Relief &amp; drawing", "width=\"460\"", "height=\"230\"")
                .doesNotContain("script", "image", "href", "onload", "onclick", "url", "style");
        byte[] pdf = server.post(path, object().put("circuit", drawing)).bytes();
        Archived.isFit(pdf);
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document)).contains("Circuit");
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 40);
            assertThat(IntStream.range(0, page.getWidth() * page.getHeight())
                            .map(i -> page.getRGB(i % page.getWidth(), i / page.getWidth()) & 0xFFFFFF))
                    .as("its stroke")
                    .contains(0xD20A0A);
        }
        for (String none : new String[] {
            "no drawing",
            "<svg viewBox='0 0 0 0'/>",
            "<svg/>",
            "<!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><svg viewBox='0 0 9 9'><text>&x;</text></svg>"
        }) {
            Answer refused = server.post(path, object().put("circuit", none));
            assertThat(refused.status()).as(none).isEqualTo(422);
            assertThat(refused.problem()).contains("is no drawing");
        }
    }

    /** The code on the label is read by a reader of its own, off the printed picture. */
    @Test
    void theLabelLeadsToTheRecord() throws Exception {
        long run = server.startRun(false);
        byte[] pdf = server.get("/api/runs/" + run + "/label.pdf").bytes();
        Archived.isFit(pdf);
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(document)).contains("LG-07", "Not finished", "RV1", "not read");
            var image = new PDFRenderer(document).renderImageWithDPI(0, 300);
            var read = new QRCodeReader()
                    .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(
                            image.getWidth(),
                            image.getHeight(),
                            image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth())))));
            assertThat(read.getText()).startsWith("http://").endsWith("/unit/LG-07/record/" + run);
        }
    }
}
