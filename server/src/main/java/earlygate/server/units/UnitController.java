package earlygate.server.units;

import earlygate.explain.Reason;
import earlygate.server.api.Input;
import earlygate.server.store.OnceKey;
import earlygate.server.units.UnitStore.NewRevision;
import earlygate.server.words.ApiProblem;
import earlygate.unit.file.UnitFile;
import java.util.List;
import java.util.OptionalInt;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Units: read, import, save, remove and bring back. The body of import and save is the unit file itself. */
@RestController
@RequestMapping("/api")
class UnitController {
    private final UnitStore units;
    private final UnitDocuments documents;

    UnitController(UnitStore units, UnitDocuments documents) {
        this.units = units;
        this.documents = documents;
    }

    @GetMapping("/units/{tag}")
    UnitDocuments.UnitDocument read(@PathVariable String tag) {
        return documents.of(units.newest(tag));
    }

    @PostMapping(value = "/units", consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    UnitDocuments.UnitDocument add(
            @RequestBody String text, @RequestHeader(name = OnceKey.HEADER, required = false) String key) {
        String tag = Input.unitText(text).unit().tag();
        return documents.of(units.save(NewRevision.of(tag, text, OptionalInt.of(0), key))
                .orElseThrow(() ->
                        ApiProblem.conflict("tag", Reason.of("units.exists").name("tag", tag))));
    }

    @PutMapping(value = "/units/{tag}", consumes = MediaType.APPLICATION_JSON_VALUE)
    UnitDocuments.UnitDocument save(
            @PathVariable String tag,
            @RequestBody String text,
            @RequestHeader(name = OnceKey.HEADER, required = false) String key) {
        UnitDocuments.sameTag(tag, Input.unitText(text).unit().tag());
        units.known(tag);
        return documents.of(
                units.save(NewRevision.of(tag, text, OptionalInt.empty(), key)).orElseThrow());
    }

    /** Takes a unit off the list; its sheets and runs are kept and it can be brought back. */
    @DeleteMapping("/units/{tag}")
    List<UnitStore.Removed> remove(@PathVariable String tag, @RequestParam(defaultValue = "") String by) {
        units.remove(tag, Input.name("by", by));
        return units.removed();
    }

    @GetMapping("/removed-units")
    List<UnitStore.Removed> removed() {
        return units.removed();
    }

    @PostMapping("/removed-units/{tag}/bring-back")
    List<UnitStore.Removed> bringBack(@PathVariable String tag) {
        units.bringBack(tag);
        return units.removed();
    }

    /** The JSON Schema that unit files are held against. */
    @GetMapping(value = "/unit-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        return UnitFile.schemaText();
    }
}
