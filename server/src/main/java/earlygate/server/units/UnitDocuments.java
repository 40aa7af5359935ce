package earlygate.server.units;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.units.UnitStore.StoredUnit;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.unit.Target;
import earlygate.unit.file.UnitFile;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A stored revision as the sheet needs it. */
@Component
public class UnitDocuments {
    private final UnitStore units;
    private final AcceptedFindings accepted;
    private final JsonMapper json;

    UnitDocuments(UnitStore units, AcceptedFindings accepted, JsonMapper json) {
        this.units = units;
        this.accepted = accepted;
        this.json = json;
    }

    /**
     * @param missing what the file still lacks; empty for one that can be planned from
     * @param unconfirmed places whose values are defaults that nobody has confirmed
     * @param schematic what the drawing asked: the targets of the first revision with the same drawing
     * @param accepted findings let stand
     * @param unreadable what was changed in the data file and is not used, each in a sentence
     */
    record UnitDocument(
            String tag,
            int revision,
            OffsetDateTime savedAt,
            String savedBy,
            @Schema(implementation = Object.class) JsonNode document,
            List<Place> missing,
            List<String> unconfirmed,
            List<AskedTarget> schematic,
            List<AcceptedFindings.Accepted> accepted,
            List<String> unreadable) {}

    record Place(String path, String message) {}

    record AskedTarget(String setting, double pressureBar) {}

    UnitDocument of(StoredUnit stored) {
        Words words = Words.in(PressureUnit.BAR);
        List<Place> missing = UnitFile.read(stored.document()) instanceof UnitFile.Reading.Refused refused
                ? refused.problems().stream()
                        .map(p -> new Place(p.path(), words.say(p)))
                        .toList()
                : List.of();
        return new UnitDocument(
                stored.tag(),
                stored.revision(),
                stored.savedAt(),
                stored.savedBy(),
                json.readTree(stored.document()),
                missing,
                json.readTree(stored.unconfirmed())
                        .valueStream()
                        .map(JsonNode::asString)
                        .toList(),
                schematic(stored).stream()
                        .map(t -> new AskedTarget(t.setting(), t.pressurePa() / 1e5))
                        .toList(),
                accepted.of(stored.tag()),
                accepted.damaged(stored.tag()).stream().map(words::say).toList());
    }

    /** What the drawing asked: where it has not changed since, a changed target is a deviation from it. */
    public List<Target> schematic(StoredUnit stored) {
        String drawing = UnitHead.of(stored.document()).drawing();
        return units.firstOf(stored.tag(), drawing, stored.revision())
                .map(UnitDocuments::targets)
                .orElse(List.of());
    }

    /** What a revision asked; nothing where it is not complete. */
    public List<Target> targets(String tag, int revision) {
        return targets(units.revision(tag, revision));
    }

    private static List<Target> targets(StoredUnit stored) {
        return UnitFile.read(stored.document()) instanceof UnitFile.Reading.Read read
                ? read.unit().targets()
                : List.of();
    }

    static void sameTag(String tag, String found) {
        if (!found.equals(tag)) {
            throw ApiProblem.badInput(
                    "tag", Reason.of("units.other-tag").name("tag", tag).name("found", found));
        }
    }
}
