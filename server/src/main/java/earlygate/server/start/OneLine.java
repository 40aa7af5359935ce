package earlygate.server.start;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.store.DataRefused;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import java.util.Set;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.diagnostics.FailureAnalysisReporter;

/** Why the server doesn't start, in one line on the error stream: {@code early-gate: ...}. */
public final class OneLine implements FailureAnalysisReporter {
    /** Data that can't be served from say why themselves. */
    public static final class OfData extends AbstractFailureAnalyzer<DataRefused> {
        @Override
        protected FailureAnalysis analyze(Throwable root, DataRefused cause) {
            return new FailureAnalysis(cause.getMessage(), "", cause);
        }
    }

    /** A disk that is full when the demo data are put in. */
    public static final class OfWriting extends AbstractFailureAnalyzer<ApiProblem> {
        private static final Set<String> NO_ROOM = Set.of("store.full", "store.no-room");

        @Override
        protected FailureAnalysis analyze(Throwable root, ApiProblem cause) {
            boolean full = NO_ROOM.contains(cause.reason().code());
            String said = full
                    ? Words.in(PressureUnit.BAR)
                            .say(new Reason("store.full-demo", cause.reason().values()))
                    : cause.said();
            return new FailureAnalysis(said, "", cause);
        }
    }

    @Override
    public void report(FailureAnalysis analysis) {
        System.err.println("early-gate: " + analysis.getDescription().strip().replaceAll("\\s*\\n\\s*", " "));
    }
}
