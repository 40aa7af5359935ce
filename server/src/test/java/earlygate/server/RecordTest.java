package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import earlygate.server.Server.Answer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The record of a run, and what lies on the disk behind it. */
class RecordTest extends OnAServer {
    @Test
    void recordAsJsonAndPdf() throws IOException {
        long run = server.startRun(false);
        server.walkTo(run, "Let the pump warm");
        Answer json = server.get("/api/runs/" + run + "/record.json");
        assertThat(json.json().get("outcome").asString()).isEqualTo("unfinished");
        Answer pdf = server.get("/api/runs/" + run + "/record.pdf?pressure=psi");
        assertThat(pdf.contentType()).isEqualTo("application/pdf");
        Archived.isFit(pdf.bytes());
        Archived.isFit(server.get("/api/units/LG-07/field-sheet.pdf").bytes());
        try (var document = Loader.loadPDF(pdf.bytes())) {
            String text = new PDFTextStripper().getText(document);
            assertThat(text).contains("LG-07", "A. Tester", "Unfinished", "2321 psi", "Prove zero pressure on line P");
        }
    }

    /** The validator is no rubber stamp. */
    @Test
    void aPageWithoutTagsAndColoursIsNotFitToBeKept() throws IOException {
        ByteArrayOutputStream bare = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            document.save(bare);
        }
        assertThatThrownBy(() -> Archived.isFit(bare.toByteArray())).isInstanceOf(AssertionError.class);
    }

    /** Whatever is acknowledged is on disk: the file as it lies there at that instant already holds it. */
    @Test
    void aCopyOfTheFileTakenAfterTheAnswerHoldsTheReading(@TempDir Path crashed) throws IOException {
        long run = server.startRun(true);
        server.walkTo(run, "Prove zero");
        server.event(
                run,
                "reading",
                object().put("step", server.step(run)).put("instrument", "G1").put("text", "0.3"));
        server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", "nut").put("target", "RV1").put("value", 0));
        long seq = server.run(run).get("seq").asLong();
        Files.copy(server.data().resolve("early-gate.mv.db"), crashed.resolve("early-gate.mv.db"));
        try (Server again = new Server(crashed)) {
            JsonNode view = again.run(run);
            assertThat(view.get("seq").asLong()).isEqualTo(seq);
            assertThat(view.at("/step/action").asString()).startsWith("Prove zero");
            assertThat(view.at("/readings/0/value").asDouble()).isEqualTo(0.3);
            again.walkTo(run, "Check the oil");
        }
    }
}
