package earlygate.server.start;

import earlygate.server.store.DataRefused;
import earlygate.server.words.ApiProblem;
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
        @Override
        protected FailureAnalysis analyze(Throwable root, ApiProblem cause) {
            return new FailureAnalysis(cause.said(), "", cause);
        }
    }

    @Override
    public void report(FailureAnalysis analysis) {
        System.err.println("early-gate: " + analysis.getDescription().strip().replaceAll("\\s*\\n\\s*", " "));
    }
}
