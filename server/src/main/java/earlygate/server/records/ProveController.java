package earlygate.server.records;

import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Says whether an exported record is whole; nothing of it is kept. */
@RestController
@RequestMapping("/api/prove")
class ProveController {
    private final Prover prover;

    ProveController(JsonMapper json) {
        this.prover = new Prover(json);
    }

    /**
     * @param earlier an edition that computed otherwise wrote it: tests and curves were not compared
     * @param sheetSealed the sheet in the file is the one that was signed for; false where nobody has signed
     * @param place in the file where it is not as it was written, and {@code said} what is wrong there; else empty
     */
    record ProvedView(
            boolean whole,
            String tag,
            String technician,
            long entries,
            String seal,
            boolean sheetSealed,
            boolean earlier,
            String place,
            String said) {}

    @PostMapping(consumes = "application/json")
    ProvedView prove(@RequestBody String file, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        Prover.Result r = prover.prove(file);
        return new ProvedView(
                r.whole(),
                r.tag(),
                r.technician(),
                r.entries(),
                r.seal(),
                r.sheetSealed(),
                r.earlier(),
                r.place(),
                r.why() == null ? "" : Words.in(pressure).say(r.why()));
    }
}
