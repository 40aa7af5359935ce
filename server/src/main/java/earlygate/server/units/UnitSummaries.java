package earlygate.server.units;

import earlygate.circuit.PowerUnit;
import earlygate.ladder.Finding;
import earlygate.ladder.GapSchool;
import earlygate.ladder.Ladder;
import earlygate.server.calc.CalcInput;
import earlygate.server.calc.StaffView;
import earlygate.server.runs.RunStore;
import earlygate.server.units.UnitStore.Listed;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** The list of units. What the model says of a revision never changes: it is solved once and kept. */
@Component
class UnitSummaries {
    private static final int SHOWN_RUNS = 3;

    /**
     * @param missing what keeps the sheet from being complete; 0 for one that can be planned from
     * @param openRuns the newest runs that are not finished, newest first; {@code openRunCount} how many there are
     * @param commissioned the last finished run at the machine, never a practice run; null where there was none
     */
    record UnitSummary(
            String tag,
            String name,
            String drawing,
            int revision,
            int missing,
            int findings,
            List<StaffView> staffs,
            List<RunStore.RunSummary> openRuns,
            int openRunCount,
            RunStore.RunSummary commissioned) {}

    private record Solved(int revision, List<String> findings, List<StaffView> asked, List<StaffView> set) {}

    private final UnitStore units;
    private final UnitDocuments documents;
    private final RunStore runs;
    private final Map<String, Solved> solved = new ConcurrentHashMap<>();

    UnitSummaries(UnitStore units, UnitDocuments documents, RunStore runs) {
        this.units = units;
        this.documents = documents;
        this.runs = runs;
    }

    List<UnitSummary> all() {
        return units.newest().stream().map(this::of).toList();
    }

    private UnitSummary of(Listed u) {
        RunStore.RunSummary last = runs.commissioned(u.tag()).orElse(null);
        Solved s = u.head().missing() > 0
                ? new Solved(u.revision(), List.of(), List.of(), List.of())
                : solved.compute(
                        u.tag(), (tag, kept) -> kept != null && kept.revision() == u.revision() ? kept : solve(u));
        List<String> accepted = units.accepted(u.tag()).stream()
                .map(UnitStore.Accepted::fingerprint)
                .toList();
        return new UnitSummary(
                u.tag(),
                u.head().name(),
                u.head().drawing(),
                u.revision(),
                u.head().missing(),
                (int) s.findings().stream().filter(f -> !accepted.contains(f)).count(),
                last == null ? s.asked() : s.set(),
                runs.open(u.tag(), SHOWN_RUNS),
                runs.openCount(u.tag()),
                last);
    }

    private Solved solve(Listed u) {
        UnitStore.StoredUnit stored = units.revision(u.tag(), u.revision());
        PowerUnit unit = CalcInput.unitText(stored.document()).unit();
        return new Solved(
                u.revision(),
                Ladder.check(unit, GapSchool.DEFAULT, documents.schematic(stored)).stream()
                        .filter(f -> f.severity() != Finding.Severity.INFO)
                        .map(Finding::fingerprint)
                        .toList(),
                StaffView.of(unit, GapSchool.DEFAULT, setting -> false),
                StaffView.of(unit, GapSchool.DEFAULT, setting -> true));
    }
}
