package earlygate.server.records;

import earlygate.explain.Reason;
import earlygate.plan.Plan;
import earlygate.quantity.PressureUnit;
import earlygate.run.ModelCache;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Signed;
import earlygate.run.RunState;
import earlygate.server.api.Input;
import earlygate.server.journal.EventText;
import earlygate.server.journal.RunStore.RunHead;
import earlygate.server.journal.SealedLog;
import earlygate.server.journal.SheetSeal;
import earlygate.server.store.EventChain;
import earlygate.server.words.Words;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.work.WorkStopped;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Whether an exported record is as it was written: its chain of hashes is followed from the head to the seal, its log is
 * folded once more, and the figures and codes that come out are held against the record that the file shows, place by
 * place. Needs no server.
 */
public final class Prover {
    private final JsonMapper json;
    private final JsonMapper figures;

    public Prover(JsonMapper json) {
        this.json = json;
        this.figures = Agreement.withoutSentences(json);
    }

    /**
     * @param earlier an edition that computed otherwise wrote it: what was read, left and signed agrees, what is computed
     *     was not compared
     * @param sheetSealed somebody has signed, and the sheet in the file is the one that was signed for
     * @param record what its log comes to; null where it is not whole
     * @param place in the file where it is not as it was written; empty, and {@code why} null, where it is whole
     */
    public record Result(
            boolean whole,
            String tag,
            String technician,
            long entries,
            String seal,
            boolean sheetSealed,
            boolean earlier,
            JsonNode record,
            String place,
            Reason why) {
        private static Result broken(String place, Reason why) {
            return new Result(false, "", "", 0, "", false, false, null, place, why);
        }
    }

    public Result prove(String text) {
        JsonNode file;
        try {
            file = json.readTree(text);
        } catch (JacksonException e) {
            return Result.broken("", Reason.of("prove.no-json"));
        }
        String format = file == null ? "" : file.path("format").asString("");
        if (!format.equals(Proof.FORMAT)) {
            boolean later = format.matches("early-gate/proof/\\d+");
            return Result.broken(
                    "format",
                    Reason.of(later ? "prove.later" : "prove.no-proof")
                            .name("format", format.isEmpty() ? "?" : format)
                            .name("known", Proof.FORMAT));
        }
        if (!file.path("head").isObject()) {
            return Result.broken("head", Reason.of("prove.unreadable"));
        }
        try {
            return proved(file);
        } catch (WorkStopped tooLong) {
            throw tooLong;
        } catch (RuntimeException | StackOverflowError e) {
            // A hand that seals anew can put anything into it, so it may fail anywhere: whatever fails was not written
            // here.
            return Result.broken("", Reason.of("prove.unreadable"));
        }
    }

    private Result proved(JsonNode file) {
        SealedLog.Head head = json.treeToValue(file.path("head"), SealedLog.Head.class);
        List<SealedLog.Entry> entries = new ArrayList<>();
        String seal = EventChain.start(head.stored());
        EventChain chain = EventChain.from(head.stored());
        for (JsonNode each : file.path("entries")) {
            String place = "entries[" + entries.size() + "]";
            if (!each.isObject()) {
                return Result.broken(place, Reason.of("prove.unreadable"));
            }
            SealedLog.Entry e = json.treeToValue(each, SealedLog.Entry.class);
            if (e.seq() != entries.size() + 1) {
                return Result.broken(place, Reason.of("prove.missing").number("seq", entries.size() + 1));
            }
            seal = chain.add(Instant.parse(e.at()), e.by(), e.key(), e.body());
            if (!seal.equals(e.hash())) {
                boolean first = entries.isEmpty();
                return Result.broken(
                        first ? "head" : place,
                        Reason.of(first ? "prove.head" : "prove.changed").number("seq", e.seq()));
            }
            entries.add(e);
        }
        if (!seal.equals(file.path("seal").asString(""))) {
            return Result.broken("seal", Reason.of("prove.cut-off").number("entries", entries.size()));
        }
        if (!file.at("/unit/tag").asString("").equals(head.tag())) {
            return Result.broken(
                    "unit.tag",
                    Reason.of("prove.other-unit")
                            .name("is", file.at("/unit/tag").asString("?"))
                            .name("must", head.tag()));
        }
        List<RunEvent> events = events(file, entries);
        List<String> sheets = events.stream()
                .filter(e -> e.body() instanceof Signed)
                .flatMap(e -> ((Signed) e.body()).sheet().stream())
                .toList();
        if (!sheets.stream().allMatch(SheetSeal.of(file.path("unit"))::equals)) {
            return Result.broken("unit", Reason.of("prove.sheet"));
        }
        int edition = file.at("/record/edition").asInt(1);
        if (edition > RecordView.EDITION) {
            return Result.broken(
                    "record.edition",
                    Reason.of("prove.later")
                            .name("format", "record " + edition)
                            .name("known", "record " + RecordView.EDITION));
        }
        int planned = json.readTree(head.plan()).path("edition").asInt(1);
        if (planned > Plan.EDITION) {
            return Result.broken(
                    "head.plan",
                    Reason.of("prove.later").name("format", "plan " + planned).name("known", "plan " + Plan.EDITION));
        }
        boolean earlier = edition < RecordView.COMPUTED_SINCE;
        // What was planned in this edition can't have been written down by an earlier one.
        int least = RecordView.since(planned);
        if (edition < least) {
            return Result.broken(
                    "record.edition",
                    Reason.of("prove.differs").name("is", "" + edition).name("must", "" + least));
        }
        RecordView again = again(file, head, events);
        return new Agreement(edition)
                .compare("record", file.path("record"), json.readTree(figures.writeValueAsString(again)))
                .map(d -> Result.broken(d.place(), d.why()))
                .orElse(new Result(
                        true,
                        head.tag(),
                        head.technician(),
                        entries.size(),
                        seal,
                        !sheets.isEmpty(),
                        earlier,
                        json.valueToTree(again),
                        "",
                        null));
    }

    private List<RunEvent> events(JsonNode file, List<SealedLog.Entry> entries) {
        EventText text = new EventText(json);
        long run = file.at("/record/run").asLong();
        return entries.stream()
                .map(e -> new RunEvent(e.seq(), Instant.parse(e.at()), e.by(), text.read(run, e.seq(), e.body())))
                .toList();
    }

    /** The record as the log alone gives it. */
    private RecordView again(JsonNode file, SealedLog.Head head, List<RunEvent> events) {
        GapSchool gaps = Input.gaps(json.readTree(head.gapSchool()));
        PowerUnit unit = Derivation.completed(Input.unit(file.path("unit")), gaps);
        RunHead run = new RunHead(
                file.at("/record/run").asLong(),
                head.uuid(),
                head.tag(),
                head.revision(),
                json.readValue(head.plan(), Plan.class),
                head.gapSchool(),
                head.sectionOrder(),
                head.technician(),
                head.practice(),
                OffsetDateTime.ofInstant(Instant.parse(head.startedAt()), ZoneOffset.UTC));
        RunState state = RunState.of(unit, run.plan(), events, head.practice(), new ModelCache(unit));
        return RecordView.of(run, unit, gaps, state, Map.of(), Words.in(PressureUnit.BAR));
    }
}
