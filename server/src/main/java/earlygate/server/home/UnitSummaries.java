package earlygate.server.home;

import earlygate.explain.Reason;
import earlygate.ladder.Acceptance;
import earlygate.ladder.Finding;
import earlygate.ladder.Ladder;
import earlygate.plan.Note;
import earlygate.quantity.PressureUnit;
import earlygate.server.access.ProcessorTime;
import earlygate.server.api.StaffView;
import earlygate.server.history.OlderRecords;
import earlygate.server.journal.RunNotes;
import earlygate.server.journal.RunStore;
import earlygate.server.units.AcceptedFindings;
import earlygate.server.units.UnitDocuments;
import earlygate.server.units.UnitHead;
import earlygate.server.units.UnitStore;
import earlygate.server.units.UnitStore.Listed;
import earlygate.server.upkeep.Upkeeps;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Target;
import earlygate.unit.file.UnitFile;
import earlygate.work.WorkBound;
import earlygate.work.WorkStopped;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The list of units. What the model says of a revision never changes: it is solved once and kept. */
@Component
class UnitSummaries {
    private static final int SHOWN_RUNS = 3;
    /** Of a processor, for one unit: the largest demo unit takes a tenth of it. */
    private static final Duration PATIENCE = Duration.ofSeconds(2);

    private static final Words WORDS = Words.in(PressureUnit.BAR);
    private static final String NEXT_CHECK = Note.NEXT_CHECK.label().code();

    /**
     * @param missing what keeps the sheet from being complete; 0 for one that can be planned from
     * @param openRuns the newest runs that are not finished, newest first; {@code openRunCount} how many there are
     * @param commissioned the last finished run at the machine, never a practice run; null where there was none
     * @param olderRecord day of the last record from before, or from paper; null where there is none
     * @param due what of its upkeep is due, in a few words each; empty where its upkeep was never begun
     * @param nextCheck as it was written down then, mostly a date; null where nobody wrote one
     * @param readable whether its sheet can be used; where not, nothing is known of its targets and findings
     * @param unreadable what of it was changed in the data file or can't be worked out, each in a sentence
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
            List<String> due,
            boolean readable,
            List<String> unreadable) {}

    /**
     * @param missing as this edition reads the file; an earlier one may have asked less of it
     * @param tooLong why nothing is known of it
     */
    private record Solved(
            int revision,
            int missing,
            List<Target> targets,
            List<Finding> findings,
            List<StaffView> asked,
            List<StaffView> set,
            Optional<Reason> tooLong) {
        private static Solved unknown(int revision, int missing, Optional<Reason> tooLong) {
            return new Solved(revision, missing, List.of(), List.of(), List.of(), List.of(), tooLong);
        }
    }

    private final UnitStore units;
    private final UnitDocuments documents;
    private final AcceptedFindings accepted;
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
            AcceptedFindings accepted,
            RunStore runs,
            RunNotes notes,
            OlderRecords older,
            Upkeeps upkeeps) {
        this.upkeeps = upkeeps;
        this.units = units;
        this.documents = documents;
        this.accepted = accepted;
        this.runs = runs;
        this.notes = notes;
        this.older = older;
    }

    List<UnitSummary> all() {
        return units.newest().stream().map(this::of).toList();
    }

    private UnitSummary of(Listed u) {
        List<Reason> unreadable = new ArrayList<>(accepted.damaged(u.tag()));
        Optional<Solved> known = known(u, unreadable);
        Solved s = known.orElse(Solved.unknown(u.revision(), u.head().missing(), Optional.empty()));
        RunStore.RunSummary last = runs.commissioned(u.tag()).orElse(null);
        List<RunStore.RunSummary> open = runs.open(u.tag(), SHOWN_RUNS);
        Stream.concat(open.stream(), runs.finishedAtTheMachine(u.tag(), SHOWN_RUNS).stream())
                .filter(RunStore.RunSummary::damaged)
                .forEach(r -> unreadable.add(Reason.of("runs.head-changed").number("run", r.id())));
        List<Acceptance> covering = accepted.acceptances(u.tag());
        return new UnitSummary(
                u.tag(),
                u.head().name(),
                u.head().drawing(),
                u.revision(),
                s.missing(),
                (int) s.findings().stream()
                        .filter(f -> covering.stream().noneMatch(a -> a.covers(f)))
                        .count(),
                last != null && sameTargets(u, s, last.revision()) ? s.set() : s.asked(),
                open,
                runs.openCount(u.tag()),
                last,
                older.newestDay(u.tag()).orElse(null),
                last == null ? null : nextCheck(last.id()),
                known.isEmpty() || s.missing() > 0 ? List.of() : upkeeps.due(u.tag(), WORDS),
                known.isPresent(),
                unreadable.stream().map(WORDS::say).toList());
    }

    /** One sheet that can't be used must not take the list of all along. */
    private Optional<Solved> known(Listed u, List<Reason> unreadable) {
        try {
            units.known(u.tag());
            Solved s = solved.compute(
                    u.tag(), (tag, kept) -> kept != null && kept.revision() == u.revision() ? kept : bounded(u));
            s.tooLong().ifPresent(unreadable::add);
            return s.tooLong().isPresent() ? Optional.empty() : Optional.of(s);
        } catch (ApiProblem e) {
            unreadable.add(e.reason());
            return Optional.empty();
        }
    }

    /** No unit keeps all the others waiting; one that would is not tried again. */
    private Solved bounded(Listed u) {
        try (WorkBound own = WorkBound.of(new ProcessorTime(PATIENCE))) {
            return solve(u);
        } catch (WorkStopped e) {
            Reason why = Reason.of("work.too-long-here").name("tag", u.tag()).number("seconds", PATIENCE.toSeconds());
            return Solved.unknown(u.revision(), u.head().missing(), Optional.of(why));
        }
    }

    /** The log of a run that is over stays as it is: it is read once. */
    private String nextCheck(long run) {
        return nextChecks.computeIfAbsent(run, id -> notes.last(id, NEXT_CHECK)).orElse(null);
    }

    /** Settings whose targets changed since the commissioning are shown as not set. */
    private boolean sameTargets(Listed u, Solved now, int commissioned) {
        if (commissioned == u.revision()) {
            return true;
        }
        try {
            return now.targets()
                    .equals(then.computeIfAbsent(
                            u.tag() + " " + commissioned, key -> documents.targets(u.tag(), commissioned)));
        } catch (ApiProblem damaged) {
            return false;
        }
    }

    private Solved solve(Listed u) {
        UnitStore.StoredUnit stored = units.revision(u.tag(), u.revision());
        if (!(UnitFile.read(stored.document()) instanceof UnitFile.Reading.Read read)) {
            return Solved.unknown(u.revision(), UnitHead.of(stored.document()).missing(), Optional.empty());
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
                StaffView.of(unit, GapSchool.DEFAULT, setting -> true),
                Optional.empty());
    }
}
