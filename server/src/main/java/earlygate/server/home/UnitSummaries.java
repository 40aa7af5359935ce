package earlygate.server.home;

import earlygate.ladder.Acceptance;
import earlygate.ladder.Finding;
import earlygate.ladder.Ladder;
import earlygate.plan.Note;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.StaffView;
import earlygate.server.history.OlderRecords;
import earlygate.server.journal.RunNotes;
import earlygate.server.journal.RunStore;
import earlygate.server.units.UnitDocuments;
import earlygate.server.units.UnitHead;
import earlygate.server.units.UnitStore;
import earlygate.server.units.UnitStore.Listed;
import earlygate.server.upkeep.Upkeeps;
import earlygate.server.words.Words;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Target;
import earlygate.unit.file.UnitFile;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** The list of units. What the model says of a revision never changes: it is solved once and kept. */
@Component
class UnitSummaries {
    private static final int SHOWN_RUNS = 3;
    private static final String NEXT_CHECK = Note.NEXT_CHECK.label().code();

    /**
     * @param missing what keeps the sheet from being complete; 0 for one that can be planned from
     * @param openRuns the newest runs that are not finished, newest first; {@code openRunCount} how many there are
     * @param commissioned the last finished run at the machine, never a practice run; null where there was none
     * @param olderRecord day of the last record from before, or from paper; null where there is none
     * @param due what of its upkeep is due, in a few words each; empty where its upkeep was never begun
     * @param nextCheck as it was written down then, mostly a date; null where nobody wrote one
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
            RunStore.RunSummary commissioned,
            LocalDate olderRecord,
            String nextCheck,
            List<String> due) {}

    /** @param missing as this edition reads the file; an earlier one may have asked less of it */
    private record Solved(
            int revision,
            int missing,
            List<Target> targets,
            List<Finding> findings,
            List<StaffView> asked,
            List<StaffView> set) {}

    private final UnitStore units;
    private final UnitDocuments documents;
    private final RunStore runs;
    private final RunNotes notes;
    private final OlderRecords older;
    private final Upkeeps upkeeps;
    private final Map<Long, Optional<String>> nextChecks = new ConcurrentHashMap<>();
    private final Map<String, Solved> solved = new ConcurrentHashMap<>();
    private final Map<String, List<Target>> then = new ConcurrentHashMap<>();

    UnitSummaries(
            UnitStore units,
            UnitDocuments documents,
            RunStore runs,
            RunNotes notes,
            OlderRecords older,
            Upkeeps upkeeps) {
        this.upkeeps = upkeeps;
        this.units = units;
        this.documents = documents;
        this.runs = runs;
        this.notes = notes;
        this.older = older;
    }

    List<UnitSummary> all() {
        return units.newest().stream().map(this::of).toList();
    }

    private UnitSummary of(Listed u) {
        RunStore.RunSummary last = runs.commissioned(u.tag()).orElse(null);
        Solved s = solved.compute(
                u.tag(), (tag, kept) -> kept != null && kept.revision() == u.revision() ? kept : solve(u));
        List<Acceptance> accepted = units.acceptances(u.tag());
        return new UnitSummary(
                u.tag(),
                u.head().name(),
                u.head().drawing(),
                u.revision(),
                s.missing(),
                (int) s.findings().stream()
                        .filter(f -> accepted.stream().noneMatch(a -> a.covers(f)))
                        .count(),
                last != null && sameTargets(u, s, last.revision()) ? s.set() : s.asked(),
                runs.open(u.tag(), SHOWN_RUNS),
                runs.openCount(u.tag()),
                last,
                older.newestDay(u.tag()).orElse(null),
                last == null ? null : nextCheck(last.id()),
                s.missing() > 0 ? List.of() : upkeeps.due(u.tag(), Words.in(PressureUnit.BAR)));
    }

    /** The log of a run that is over stays as it is: it is read once. */
    private String nextCheck(long run) {
        return nextChecks.computeIfAbsent(run, id -> notes.last(id, NEXT_CHECK)).orElse(null);
    }

    /** What was commissioned was set to what is asked now; a sheet that has changed since has hollow flags again. */
    private boolean sameTargets(Listed u, Solved now, int commissioned) {
        return commissioned == u.revision()
                || now.targets()
                        .equals(then.computeIfAbsent(
                                u.tag() + " " + commissioned, key -> documents.targets(u.tag(), commissioned)));
    }

    private Solved solve(Listed u) {
        UnitStore.StoredUnit stored = units.revision(u.tag(), u.revision());
        if (!(UnitFile.read(stored.document()) instanceof UnitFile.Reading.Read read)) {
            return new Solved(
                    u.revision(), UnitHead.of(stored.document()).missing(), List.of(), List.of(), List.of(), List.of());
        }
        PowerUnit unit = read.unit();
        return new Solved(
                u.revision(),
                0,
                unit.targets(),
                Ladder.check(unit, GapSchool.DEFAULT, documents.schematic(stored)).stream()
                        .filter(f -> f.severity() != Finding.Severity.INFO)
                        .toList(),
                StaffView.of(unit, GapSchool.DEFAULT, setting -> false),
                StaffView.of(unit, GapSchool.DEFAULT, setting -> true));
    }
}
