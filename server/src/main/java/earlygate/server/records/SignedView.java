package earlygate.server.records;

import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Amended;
import earlygate.run.RunEvent.OfRecord;
import earlygate.run.RunEvent.Signed;
import earlygate.run.RunState;
import earlygate.run.Signatures;
import java.time.Instant;
import java.util.List;

/**
 * The names under a record.
 *
 * @param locked technician and witness have both signed: nothing is written into it any more but amendments
 * @param revision 1, and one more with each amendment
 */
record SignedView(boolean locked, int revision, List<NameView> names, List<AmendmentView> amendments) {
    /** @param role technician or witness */
    record NameView(String role, String name, Instant at) {}

    /** @param revision the one that it made */
    record AmendmentView(int revision, String text, String by, Instant at) {}

    static SignedView of(RunState state) {
        Signatures s = state.signatures();
        return new SignedView(
                s.locked(),
                s.revision(),
                s.signed().stream()
                        .map(e -> new NameView(((Signed) e.body()).role().key(), ((Signed) e.body()).name(), e.at()))
                        .toList(),
                s.amended().stream()
                        .map(e -> new AmendmentView(
                                2 + s.amended().indexOf(e),
                                ((Amended) e.body()).text(),
                                ((Amended) e.body()).by(),
                                e.at()))
                        .toList());
    }

    /** When the last of the work was written; names and amendments come after it. Null before anything was. */
    static Instant finishedAt(RunState state) {
        List<RunEvent> work = state.events().stream()
                .filter(e -> !(e.body() instanceof OfRecord || e.body() instanceof RunEvent.OfFiles))
                .toList();
        return work.isEmpty() ? null : work.get(work.size() - 1).at();
    }
}
