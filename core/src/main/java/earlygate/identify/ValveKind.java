package earlygate.identify;

import earlygate.identify.Traits.Drain;
import earlygate.identify.Traits.Pilot;
import earlygate.identify.Traits.Place;
import earlygate.identify.Traits.Rest;
import earlygate.identify.Traits.Trait;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/** The five pressure valves, each by the traits it may show. */
public enum ValveKind {
    RELIEF(
            "relief-valve",
            Set.of(Pilot.OWN_INLET),
            Rest.CLOSED,
            Set.of(false),
            Drain.INTERNAL,
            Place.PUMP_LINE_TO_TANK),
    UNLOADING("unloading-valve", Set.of(Pilot.REMOTE), Rest.CLOSED, Set.of(false), Drain.INTERNAL, Place.BESIDE_PUMP),
    SEQUENCE(
            "sequence-valve",
            Set.of(Pilot.OWN_INLET, Pilot.REMOTE),
            Rest.CLOSED,
            Set.of(true),
            Drain.EXTERNAL,
            Place.BEFORE_ACTUATOR),
    COUNTERBALANCE(
            "counterbalance-valve",
            Set.of(Pilot.OWN_INLET, Pilot.REMOTE, Pilot.OWN_INLET_AND_REMOTE),
            Rest.CLOSED,
            Set.of(true),
            Drain.EXTERNAL,
            Place.AFTER_ACTUATOR),
    REDUCING(
            "reducing-valve",
            Set.of(Pilot.OWN_OUTLET),
            Rest.OPEN,
            Set.of(true, false),
            Drain.EXTERNAL,
            Place.BEFORE_ACTUATOR);

    private final String type;
    private final Set<Pilot> pilots;
    private final Rest rest;
    private final Set<Boolean> checks;
    private final Drain drain;
    private final Place place;

    ValveKind(String type, Set<Pilot> pilots, Rest rest, Set<Boolean> checks, Drain drain, Place place) {
        this.type = type;
        this.pilots = pilots;
        this.rest = rest;
        this.checks = checks;
        this.drain = drain;
        this.place = place;
    }

    /** Its type in the unit file. */
    public String type() {
        return type;
    }

    /** The traits seen that this valve does not have. */
    public List<Trait> contradictions(Traits seen) {
        List<Trait> against = new ArrayList<>();
        add(against, Trait.PILOT, pilots.contains(seen.pilot()));
        add(against, Trait.REST, rest == seen.rest());
        add(against, Trait.REVERSE_CHECK, checks.contains(seen.reverseCheck()));
        add(against, Trait.DRAIN, drain == seen.drain());
        add(against, Trait.PLACE, place == seen.place());
        return against;
    }

    private static void add(List<Trait> against, Trait trait, boolean fits) {
        if (!fits) {
            against.add(trait);
        }
    }

    /** One kind and what speaks against it. */
    public record Match(ValveKind kind, List<Trait> contradictions) {}

    /** All kinds, the best match first; only one without a contradiction is named for sure. */
    public static List<Match> match(Traits seen) {
        return Arrays.stream(values())
                .map(k -> new Match(k, k.contradictions(seen)))
                .sorted(Comparator.comparingInt(m -> m.contradictions().size()))
                .toList();
    }
}
