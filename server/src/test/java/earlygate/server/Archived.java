package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.results.ValidationResult;

/** Whether a document may be put away for decades: PDF/A-2a by a validator of its own. */
final class Archived {
    static {
        VeraGreenfieldFoundryProvider.initialise();
    }

    private Archived() {}

    static void isFit(byte[] pdf) {
        try (PDFAParser parser =
                Foundries.defaultInstance().createParser(new ByteArrayInputStream(pdf), PDFAFlavour.PDFA_2_A)) {
            ValidationResult result = Foundries.defaultInstance()
                    .createValidator(PDFAFlavour.PDFA_2_A, false)
                    .validate(parser);
            assertThat(result.getTestAssertions().stream()
                            .filter(a -> a.getStatus() == TestAssertion.Status.FAILED)
                            .map(a -> a.getRuleId().getClause() + " " + a.getMessage())
                            .distinct())
                    .isEmpty();
            assertThat(result.isCompliant()).isTrue();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }
}
