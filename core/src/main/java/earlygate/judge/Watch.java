package earlygate.judge;

import earlygate.solve.Model;
import earlygate.unit.Electric;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The watch on a machine's instruments, whoever reads them: a practice machine, a field instrument, a log file. It is
 * told every sample, every turn and everything else that moves, and what is looked for now; it says which readings can be
 * taken, where they tend, and when a relief that is backed out has cracked. Times in s by one clock, Pa, A. Not for two
 * threads at once.
 */
public final class Watch {
    /** At which moment a reading counts: standing, the highest before it fell, the lowest before it rose, after a while. */
    public enum Moment {
        STANDING,
        PEAK,
        VALLEY,
        AFTER
    }

    /**
     * The screw at hand on the gauge that shows it, in a situation.
     *
     * @param slope of that screw on that gauge
     */
    public record CurrentScrew(String setting, String gauge, Situation situation, Slope slope) {
        /** The same screw in the same machine, whatever was learned of it meanwhile. */
        boolean isAlso(CurrentScrew other) {
            return setting.equals(other.setting) && gauge.equals(other.gauge) && situation.equals(other.situation);
        }
    }

    /**
     * @param what a name for it: another one is looked for from its own beginning
     * @param moments by instrument; one that is not named is read standing
     * @param afterS seconds after the drives have stopped, of {@link Moment#AFTER}
     * @param cracks the screw at hand is a relief that is backed out until it begins to pass
     */
    public record Wanted(
            String what, Map<String, Moment> moments, double afterS, Optional<CurrentScrew> atHand, boolean cracks) {
        public static final Wanted NOTHING = new Wanted("", Map.of(), 0, Optional.empty(), false);
    }

    /**
     * @param held what stood before it fell; empty before it stood long enough
     * @param found it has cracked
     * @param fallPa by how much the gauge has fallen since
     * @param stands where the relief itself stands now
     */
    public record Cracks(OptionalDouble held, boolean found, OptionalDouble fallPa, Optional<ReliefEstimate> stands) {
        static final Cracks NONE = new Cracks(OptionalDouble.empty(), false, OptionalDouble.empty(), Optional.empty());
    }

    /** @param pa by test point; {@code amps} by driver, engines left out; {@code sinceStopS} since the last drive stopped */
    public record Sample(double timeS, Map<String, Double> pa, Map<String, Double> amps, OptionalDouble sinceStopS) {}

    private final Model model;
    private final PowerUnit unit;
    private final Map<String, Settled> settled = new LinkedHashMap<>();
    private final Map<String, Swing> swings = new LinkedHashMap<>();
    private final Map<String, Double> after = new LinkedHashMap<>();
    private Wanted sought = Wanted.NOTHING;
    private Optional<CrackWatch> crack = Optional.empty();
    private Sample last = new Sample(0, Map.of(), Map.of(), OptionalDouble.empty());
    private Optional<Followed> followed = Optional.empty();
    private Optional<HeldBy> heldBy = Optional.empty();
    /** A screw was turned since this is sought: what stood higher before shows nothing by it. */
    private boolean turned;

    public Watch(Model model) {
        this.model = model;
        this.unit = model.unit();
        moved();
    }

    public void sample(Sample now) {
        last = now;
        now.pa().forEach((id, pa) -> {
            settled.get(id).add(now.timeS(), pa);
            swings.get(id).add(now.timeS(), pa);
            boolean due = moment(id) == Moment.AFTER
                    && now.sinceStopS().isPresent()
                    && now.sinceStopS().getAsDouble() >= sought.afterS();
            if (due) {
                after.putIfAbsent(id, pa);
            }
        });
        now.amps().forEach((id, amps) -> settled.get(id).add(now.timeS(), amps));
        crack.ifPresent(c -> {
            String gauge = sought.atHand().orElseThrow().gauge();
            c.add(
                    now.timeS(),
                    now.pa().get(gauge),
                    allAmps(),
                    settled.get(gauge).settled());
        });
    }

    /** All motors together: whichever drives the pump that holds the line, its current rises. */
    private OptionalDouble allAmps() {
        return last.amps().isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(last.amps().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum());
    }

    /** A screw was turned by so much: its readings must come to rest anew. */
    public void turned(String setting, double turns) {
        Optional<CurrentScrew> own = sought.atHand().filter(h -> h.setting().equals(setting));
        turned |= turns != 0;
        if (own.isPresent() && stands(own.get().gauge())) {
            followed.ifPresent(f -> f.turned(mean(own.get().gauge()), turns));
        } else if (own.isEmpty() || turns != 0) {
            startFollowing();
        }
        rest();
        crack.ifPresent(c -> {
            if (sought.atHand().orElseThrow().setting().equals(setting)) {
                c.turned(last.timeS(), turns);
            } else {
                c.anew(last.timeS());
            }
        });
    }

    /** Something else was done to the machine, or a drive stopped: what stood before means nothing any more. */
    public void moved() {
        startFollowing();
        rest();
        crack.ifPresent(c -> c.anew(last.timeS()));
    }

    /** A drive runs again: what was to be read after a stop is still to come. */
    public void runs() {
        after.clear();
    }

    private void rest() {
        heldBy = Optional.empty();
        unit.testPoints().forEach(t -> {
            settled.put(t.id(), new Settled(t.rangePa()));
            swings.put(t.id(), new Swing(t.rangePa()));
        });
        unit.all(Electric.class).forEach(m -> settled.put(m.id(), new Settled(m.ratedCurrent())));
    }

    /** What is looked for from now on. */
    public void seek(Wanted now) {
        boolean other = !now.what().equals(sought.what());
        boolean same = now.atHand().isPresent() == sought.atHand().isPresent()
                && now.atHand().stream().allMatch(h -> h.isAlso(sought.atHand().orElseThrow()));
        if (other) {
            swings.values().forEach(Swing::restart);
            after.clear();
            turned = false;
        }
        if (other || !same || now.cracks() != sought.cracks()) {
            crack = now.atHand().filter(h -> now.cracks()).map(h -> new CrackWatch(model, h));
        }
        sought = now;
        if (other || !same) {
            startFollowing();
            heldBy = Optional.empty();
        }
    }

    private void startFollowing() {
        followed = sought.atHand().map(h -> new Followed(unit.testPoint(h.gauge())));
    }

    public Wanted sought() {
        return sought;
    }

    private Moment moment(String instrument) {
        return sought.moments().getOrDefault(instrument, Moment.STANDING);
    }

    /** The reading to take now; empty while it moves, or while what is looked for has not come. */
    public OptionalDouble reading(String instrument) {
        Settled s = settled.get(instrument);
        if (s == null) {
            return OptionalDouble.empty();
        }
        return switch (moment(instrument)) {
            case PEAK -> peak(swings.get(instrument), s);
            case VALLEY -> swings.get(instrument).valley();
            case AFTER ->
                after.containsKey(instrument) ? OptionalDouble.of(after.get(instrument)) : OptionalDouble.empty();
            case STANDING -> s.reading();
        };
    }

    /** The last peak; before the first one where it stands, unless it has only gone down to there after a turn. */
    private OptionalDouble peak(Swing swing, Settled settled) {
        return swing.peak().isPresent() || turned && swing.wentDown() ? swing.peak() : settled.reading();
    }

    /** Whether it stands still, and what it then reads. */
    public boolean stands(String instrument) {
        return settled.containsKey(instrument) && settled.get(instrument).settled();
    }

    /** Mean of the last seconds, standing or not. */
    public double mean(String instrument) {
        return settled.get(instrument).mean();
    }

    /** Where it tends, a second. */
    public double trend(String instrument) {
        return settled.get(instrument).trend();
    }

    /**
     * Who has the gauge of the screw at hand now, by the model at what stands on the instruments: the likeliest first, and
     * only those that the instruments don't tell apart from it. Empty while it moves, and where nothing could hold it.
     */
    public List<Holder> holders() {
        Optional<CurrentScrew> hand = sought.atHand().filter(h -> stands(h.gauge()));
        if (hand.isEmpty()) {
            return List.of();
        }
        Map<String, Double> stand = new LinkedHashMap<>();
        settled.keySet().stream().filter(this::stands).forEach(i -> stand.put(i, mean(i)));
        if (heldBy.filter(h -> h.sameAs(unit, stand)).isEmpty()) {
            heldBy = Optional.of(new HeldBy(stand, Holder.alike(asked(hand.get(), stand))));
        }
        return heldBy.get().holders();
    }

    private List<Holder> asked(CurrentScrew hand, Map<String, Double> stand) {
        Map<String, Double> others = new LinkedHashMap<>(stand);
        double reads = others.remove(hand.gauge());
        return Holder.of(
                model,
                hand,
                reads,
                others,
                followed.map(f -> f.at(reads, hand.slope())).orElse(Followed.Misfit.NONE));
    }

    /** An answer of the model, and what stood on the instruments when it was asked. */
    private record HeldBy(Map<String, Double> stood, List<Holder> holders) {
        /** It is asked again only when something moved by more than the instrument can be wrong by, or came to rest. */
        boolean sameAs(PowerUnit unit, Map<String, Double> stand) {
            return stood.keySet().equals(stand.keySet())
                    && stand.entrySet().stream()
                            .allMatch(s ->
                                    Math.abs(s.getValue() - stood.get(s.getKey())) < Holder.doubt(unit, s.getKey(), 0));
        }
    }

    /** What is seen of the crack that is looked for. */
    public Cracks cracks() {
        return crack.map(CrackWatch::seen).orElse(Cracks.NONE);
    }

    /** Where it stands if a hand is right that it passes now. */
    public Optional<ReliefEstimate> placeAtTap() {
        return crack.flatMap(CrackWatch::placeAtTap);
    }
}
