package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.ladder.Acceptance;
import earlygate.ladder.Finding;
import earlygate.ladder.Ladder;
import earlygate.plan.AsFound;
import earlygate.plan.Goal;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.SectionOrder;
import earlygate.planner.Planner;
import earlygate.rig.Roughness;
import earlygate.run.RunEvent;
import earlygate.run.ScrewHistory;
import earlygate.run.ScrewTaught;
import earlygate.server.api.Input;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.RunStore;
import earlygate.server.store.OnceKey;
import earlygate.server.units.AcceptedFindings;
import earlygate.server.units.UnitDocuments;
import earlygate.server.units.UnitStore;
import earlygate.server.units.UnitStore.StoredUnit;
import earlygate.server.words.ApiProblem;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;

/** Begins runs: a sheet without a stop that nobody let stand, and a plan that is kept whole with the run. */
@Service
class RunStarts {
    /** @param key the sender's own name for this start; null where it is not sent again */
    record Start(
            String tag,
            String technician,
            School school,
            JsonNode gapSchool,
            SectionOrder sections,
            Optional<AsFound> asFound,
            boolean practice,
            Roughness rig,
            String key) {}

    private static final int NAME_LIMIT = 80;

    private final RunStore store;
    private final OpenRuns open;
    private final UnitStore units;
    private final UnitDocuments documents;
    private final AcceptedFindings accepted;

    RunStarts(RunStore store, OpenRuns open, UnitStore units, UnitDocuments documents, AcceptedFindings accepted) {
        this.accepted = accepted;
        this.open = open;
        this.store = store;
        this.units = units;
        this.documents = documents;
    }

    /** @return the run's number, an earlier one where the same start was sent before */
    long start(Start start) {
        String name = start.technician() == null ? "" : start.technician().strip();
        if (name.isEmpty()) {
            throw ApiProblem.badInput("technician", Reason.of("runs.name-missing"));
        }
        if (name.length() > NAME_LIMIT) {
            throw ApiProblem.badInput("technician", Reason.of("runs.name-long").number("limit", NAME_LIMIT));
        }
        StoredUnit stored = units.newest(start.tag());
        GapSchool gaps = Input.gaps(start.gapSchool());
        PowerUnit unit = Derivation.completed(Input.unitText(stored.document()).unit(), gaps);
        requireNoOpenStop(stored, unit, gaps);
        AsFound asFound = start.asFound().orElseGet(() -> store.asFound(start.tag()));
        Plan plan = Planner.plan(unit, start.school(), start.sections(), asFound);
        if (!plan.refused().isEmpty()) {
            Plan.Refusal first = plan.refused().get(0);
            throw ApiProblem.conflict("plan", first.message());
        }
        if (start.practice()) {
            withinTheRigsReach(plan);
        }
        String chosen = Input.gapText(start.gapSchool());
        return store.start(new RunStore.NewRun(
                start.tag(),
                stored.revision(),
                plan,
                chosen,
                start.sections().key(),
                name,
                start.practice(),
                knowledgeFor(start, unit),
                start.key() == null || start.key().isBlank() ? null : OnceKey.require(start.key(), "key")));
    }

    /** A practice machine is another one each time; of the real one's screws the last run knows something. */
    private Optional<RunEvent.Began> knowledgeFor(Start start, PowerUnit unit) {
        if (start.practice()) {
            return Optional.of(new RunEvent.Began(Optional.of(start.rig().key()), List.of()));
        }
        List<ScrewTaught> known = store.atTheMachine(start.tag())
                .map(last -> taught(last.id(), unit))
                .orElse(List.of());
        return known.isEmpty() ? Optional.empty() : Optional.of(new RunEvent.Began(Optional.empty(), known));
    }

    /** A log that can't be believed teaches nothing, and keeps nobody from beginning. */
    private List<ScrewTaught> taught(long run, PowerUnit unit) {
        try {
            PowerUnit then = open.run(run).unit();
            return ScrewHistory.taught(open.state(run)).stream()
                    .filter(t -> sameScrew(unit, then, t.setting()))
                    .toList();
        } catch (ApiProblem unreadable) {
            return List.of();
        }
    }

    /** By the sheets it is still the same adjuster. */
    private static boolean sameScrew(PowerUnit now, PowerUnit then, String id) {
        return Stream.of(now, then)
                        .map(u -> u.settings().stream()
                                .filter(s -> s.id().equals(id))
                                .map(Setting::screw)
                                .findFirst())
                        .distinct()
                        .count()
                == 1;
    }

    /** The practice machine has no gear to fit and no actuator to let go: what needs them is walked with typed readings. */
    private static void withinTheRigsReach(Plan plan) {
        plan.steps().stream()
                .filter(s -> !s.situation().gear().isEmpty()
                        || s.goal().filter(Goal.Rate.class::isInstance).isPresent()
                        || s.situation().blocked().isPresent())
                .findFirst()
                .ifPresent(s -> {
                    throw ApiProblem.conflict("practice", Reason.of("runs.not-on-rig"));
                });
    }

    /** A finding of severity stop keeps a run from starting until it is mended, or let stand by its reason. */
    private void requireNoOpenStop(StoredUnit stored, PowerUnit unit, GapSchool gaps) {
        List<Acceptance> covering = accepted.acceptances(stored.tag());
        Ladder.check(unit, gaps, documents.schematic(stored)).stream()
                .filter(f -> f.severity() == Finding.Severity.STOP
                        && covering.stream().noneMatch(a -> a.covers(f)))
                .findFirst()
                .ifPresent(f -> {
                    throw ApiProblem.conflict("ladder", f.message());
                });
    }
}
