package earlygate.server.records;

import com.fasterxml.jackson.annotation.JsonRawValue;
import earlygate.server.journal.SealedLog;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * A record that takes its log along, to be proved whole anywhere: docs/formats.md.
 *
 * @param unit the sheet that it was planned from, as it was saved
 * @param head what the first hash is made of; {@code entries} the log to the letter, each with its hash
 * @param seal the last hash, as it is printed on the certificate
 * @param record what the log comes to
 */
record Proof(
        String format,
        @JsonRawValue @Schema(implementation = Object.class) String unit,
        SealedLog.Head head,
        List<SealedLog.Entry> entries,
        String seal,
        RecordView record) {
    static final String FORMAT = "early-gate/proof/1";
}
