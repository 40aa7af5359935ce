package earlygate.server.records;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** {@code record-prove FILE}: whether an exported record is whole, without a server, in one line. */
public final class ProveCommand {
    /** As much as the server takes; a year of entries has a tenth of it. */
    private static final long MOST_BYTES = 8_000_000;

    private ProveCommand() {}

    /** @return the exit code: 0 for a whole record; empty where this is no such command */
    public static Optional<Integer> run(List<String> args) {
        return run(args, System.out, System.err);
    }

    /** The same, saying it there. */
    public static Optional<Integer> run(List<String> args, PrintStream out, PrintStream err) {
        if (args.size() != 2 || !args.get(0).equals("record-prove")) {
            return Optional.empty();
        }
        try {
            JsonMapper json = JsonMapper.builder()
                    .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                    .build();
            Path file = Path.of(args.get(1));
            if (Files.size(file) > MOST_BYTES) {
                err.println("early-gate: " + file + " is no proof: it has more than " + MOST_BYTES / 1_000_000 + " MB");
                return Optional.of(1);
            }
            Prover.Result r = new Prover(json).prove(Files.readString(file));
            if (r.whole()) {
                out.printf(
                        "Whole: %s by %s, %d entries; %s; the seal on its certificate must be %s%n",
                        r.tag(),
                        r.technician(),
                        r.entries(),
                        Words.in(PressureUnit.BAR)
                                .say(Reason.of(r.sheetSealed() ? "prove.sheet-sealed" : "prove.sheet-open")),
                        r.seal());
                if (r.earlier()) {
                    out.println(Words.in(PressureUnit.BAR).say(Reason.of("prove.earlier")));
                }
                out.println(Words.in(PressureUnit.BAR).say(Reason.of("prove.no-key")));
                return Optional.of(0);
            }
            err.println("early-gate: not as it was written"
                    + (r.place().isEmpty() ? "" : ", at " + r.place()) + ": "
                    + Words.in(PressureUnit.BAR).say(r.why()));
        } catch (IOException e) {
            err.println("early-gate: " + args.get(1) + " can't be read as text");
        }
        return Optional.of(1);
    }
}
