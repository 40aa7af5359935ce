package earlygate.plan;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.quantity.ByVolume;
import earlygate.quantity.Keyed;
import earlygate.quantity.Measure;
import earlygate.quantity.Si;
import earlygate.quantity.TypedNumber;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/** What a step has written down that no gauge tells, and what may not stand when it is left. */
public enum Note implements Keyed {
    LEVEL,
    CLEANLINESS,
    INDICATOR("green", "yellow", "red"),
    RESTRICTION("clear", "restricted"),
    SUPPLY,
    FREQUENCY,
    ROTATION("with-the-arrow", "against-the-arrow"),
    LEAKS("none", "found"),
    /** Of the regulators of a pair of pumps. */
    LEVERS("free", "stuck"),
    /** Of an engine: it has no ammeter that would tell what it does without load. */
    NO_LOAD_SPEED(Kind.SPEED),
    /** The same where its pump stalls, or works. */
    LOADED_SPEED(Kind.SPEED),
    /** Which one stands in the line, or that none is at hand. */
    FLOW_METER,
    PRECHARGE,
    CHARGE_TIME(Kind.TIME),
    REST_TIME(Kind.TIME),
    /** What a pump loses inside, measured at its drain line. */
    CASE_DRAIN(Kind.FLOW),
    /** What a line keeps while the vent of its relief is open. */
    VENTED(Kind.PRESSURE),
    /** What a meter shows at the engine speed that is stated for tests. */
    FLOW_STATED(Kind.FLOW),
    /** The same at another speed; held against it. */
    FLOW_AT_SPEED(Kind.FLOW),
    NEXT_CHECK;

    private static final String PREFIX = "note.";
    public static final String EXPECTED = "expected";
    public static final String LOW = "low";
    public static final String HIGH = "high";
    /** What the model expects of the note that this one is held against. */
    public static final String AGAINST = "against";

    /** In the unit of the unit file: no charge lasts longer, no drain runs faster. */
    private static final double MOST = 10_000;

    private final List<String> choices;
    private final Optional<Kind> figure;

    Note(String... choices) {
        this.choices = List.of(choices);
        this.figure = Optional.empty();
    }

    Note(Kind figure) {
        this.choices = List.of();
        this.figure = Optional.of(figure);
    }

    /** Its label. */
    public Reason label() {
        return Reason.of(PREFIX + key());
    }

    /** The same with the figure that the model expects and the band around it, SI. */
    public Reason expecting(double expected, double low, double high) {
        Kind kind = figure.orElseThrow();
        return label().with(EXPECTED, new Amount(expected, kind))
                .with(LOW, new Amount(low, kind))
                .with(HIGH, new Amount(high, kind));
    }

    /** The note of the same step that its figure is held against: the ratio is judged, not the figure. */
    public Optional<Note> against() {
        return this == FLOW_AT_SPEED ? Optional.of(FLOW_STATED) : Optional.empty();
    }

    /** What is measured, where it is a figure: s, m3/s, Pa or rev/s. */
    public Optional<Kind> figure() {
        return figure;
    }

    /**
     * A written figure in SI, a pressure with its unit: "12", "12 s", "2 min", "0.8 L/min", "4.2 bar", or what ran into a
     * can in a time, "0.5 L in 40 s".
     *
     * @return empty where it is no figure, or none that can be meant
     */
    public OptionalDouble value(String written) {
        return switch (figure.orElseThrow()) {
            case PRESSURE -> withUnit(written);
            case TIME -> plain(Measure.TIME, written, 1);
            case SPEED -> plain(Measure.SPEED, written, 1 / 60.0);
            case FLOW -> {
                OptionalDouble filled = ByVolume.flow(written);
                yield filled.isPresent() ? filled : plain(Measure.FLOW, written, Si.LPM);
            }
            default -> OptionalDouble.empty();
        };
    }

    private static OptionalDouble plain(Measure measure, String text, double si) {
        return measure.parse(text, 0, MOST) instanceof TypedNumber.Accepted a
                ? OptionalDouble.of(a.value() * si)
                : OptionalDouble.empty();
    }

    /** People read pressures in three units: a bare number may be any of them. */
    private static OptionalDouble withUnit(String text) {
        boolean bare = text.strip().matches("[0-9.,]+");
        return bare ? OptionalDouble.empty() : plain(Measure.PRESSURE, text, Si.BAR);
    }

    /** Whether a clock is looked at for it: a time itself, or how long a can takes to fill. */
    public boolean isTimed() {
        return figure.equals(Optional.of(Kind.TIME)) || this == CASE_DRAIN;
    }

    /** What it is one of, by key; empty where it is written freely. */
    public List<String> choices() {
        return choices;
    }

    public static Optional<Note> of(String code) {
        return Stream.of(values()).filter(n -> code.equals(PREFIX + n.key())).findFirst();
    }

    /** Why nobody goes on past what was written; empty where one may. */
    public Optional<Reason> stops(String written) {
        boolean stops = (this == ROTATION || this == LEAKS || this == LEVERS) && written.equals(choices.get(1));
        return stops ? Optional.of(Reason.of("run.need." + key())) : Optional.empty();
    }
}
