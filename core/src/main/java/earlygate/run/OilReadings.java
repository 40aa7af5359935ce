package earlygate.run;

import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Every oil temperature that was read in a run, K, in order. */
final class OilReadings {
    private record Oil(long seq, Instant at, double kelvin) {}

    private final List<Oil> all = new ArrayList<>();

    OilReadings copy() {
        OilReadings copy = new OilReadings();
        copy.all.addAll(all);
        return copy;
    }

    void add(RunEvent event, double kelvin) {
        all.add(new Oil(event.seq(), event.at(), kelvin));
    }

    Optional<Instant> lastAt() {
        return all.isEmpty()
                ? Optional.empty()
                : Optional.of(all.get(all.size() - 1).at());
    }

    OptionalDouble last() {
        return all.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(all.get(all.size() - 1).kelvin());
    }

    /** What holds for an event: its own, or the last one read before {@code beforeSeq}, no longer than a quarter of an hour apart. */
    OptionalDouble at(RunEvent event, long beforeSeq) {
        OptionalDouble own = event.body() instanceof Reading r
                ? r.oil()
                : event.body() instanceof Cracked c ? c.oil() : OptionalDouble.empty();
        if (own.isPresent()) {
            return own;
        }
        for (int i = all.size() - 1; i >= 0; i--) {
            Oil o = all.get(i);
            if (o.seq() < beforeSeq) {
                return OilState.stale(o.at(), event.at()) ? OptionalDouble.empty() : OptionalDouble.of(o.kelvin());
            }
        }
        return OptionalDouble.empty();
    }
}
