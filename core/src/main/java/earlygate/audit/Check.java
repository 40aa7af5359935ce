package earlygate.audit;

import java.util.List;

/** One of the nine points, held against a replay. */
interface Check {
    List<Violation> of(Replay replay);
}
