package earlygate.server.runs;

import earlygate.judge.Verdict;
import earlygate.run.RunState;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Words;
import java.util.List;

/** What a run's record shows in the same way as its screen. */
public final class RunReadings {
    private RunReadings() {}

    /** pass, fail or cannot-tell. */
    public static String grade(Verdict.Grade grade) {
        return grade.key();
    }

    public static List<LogView> log(RunState state, Words words) {
        return RunLog.all(state, words);
    }
}
