package earlygate.server.runs;

import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.judge.Watch;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.quantity.ByVolume;
import earlygate.quantity.Keyed;
import earlygate.quantity.Measure;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.TypedNumber;
import earlygate.run.CrackFromReadings;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunRules;
import earlygate.run.RunState;
import earlygate.server.api.Wire;
import earlygate.server.journal.OpenRuns.OpenRun;
import earlygate.server.rig.LiveRig;
import earlygate.server.rig.RigHost;
import earlygate.server.runs.RunService.EventRequest;
import earlygate.server.words.ApiProblem;
import earlygate.unit.PowerUnit;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/** What a screen sends, as an event: numbers as typed to SI, readings of the practice machine taken where they are asked. */
@Component
class EventInput {
    private static final int LONGEST_TEXT = 500;
    /** Oil that has stood outdoors through a winter. */
    private static final double COLDEST_C = -40;

    private final RigHost rigs;

    EventInput(RigHost rigs) {
        this.rigs = rigs;
    }

    RunEvent.Body body(OpenRun run, RunState state, EventRequest r) {
        String step = r.step() == null ? "" : r.step();
        return switch (r.kind() == null ? "" : r.kind()) {
            case "step-done" -> new RunEvent.StepDone(step);
            case "reading" ->
                new RunEvent.Reading(
                        step,
                        instrument(r),
                        number(run.unit(), instrument(r), r.text()),
                        Source.TYPED,
                        oilOf(run),
                        r.still());
            case "live-reading" -> live(run, step, instrument(r));
            case "turned" -> turned(run, state, step, r);
            case "cracked" ->
                new RunEvent.Cracked(step, number(run.unit(), instrument(r), r.text()), Source.TYPED, oilOf(run));
            case "take-crack" -> run.head().practice() ? crackSeen(run, step) : crackRead(run, state, step);
            case "tap-crack" -> run.head().practice() ? tapped(run, step) : tappedAtMachine(run, state, step);
            case "deviation" ->
                new RunEvent.Deviation(step, text(r), Optional.ofNullable(released(run, r.releasedBy())));
            case "point" -> new PointInput(run, state, step).typed(r, oilOf(run));
            case "live-point" -> new PointInput(run, state, step).live(r, rigs.live(practice(run)));
            case "left-out" -> new RunEvent.LeftOut(step, r.wrong() == null ? 0 : r.wrong(), text(r));
            case "replaced" -> new RunEvent.Replaced(step, "" + r.setting());
            case "again" -> new RunEvent.Again(step);
            case "reopened" -> new RunEvent.Reopened(step);
            case "struck" -> new RunEvent.Struck(step, r.wrong() == null ? 0 : r.wrong());
            case "noted" -> new RunEvent.Noted(step, r.note() == null ? "" : r.note(), text(r));
            case "signed" -> new RunEvent.Signed(role(r.note()), text(r), Optional.of(run.sheet()));
            case "amended" ->
                new RunEvent.Amended(
                        text(r), r.releasedBy() == null ? "" : r.releasedBy().strip());
            case "paused" -> new RunEvent.Paused(r.text() == null ? "" : text(r));
            case "went-on" -> new RunEvent.WentOn();
            case "hold-opened" -> new RunEvent.HoldOpened("" + r.phase());
            default -> throw ApiProblem.badInput("kind", Reason.of("runs.kind").name("value", "" + r.kind()));
        };
    }

    private static RunEvent.Role role(String key) {
        try {
            return Keyed.of(RunEvent.Role.class, "" + key);
        } catch (IllegalArgumentException e) {
            throw ApiProblem.badInput("note", Reason.of("runs.role").name("value", "" + key));
        }
    }

    private static String instrument(EventRequest r) {
        return r.instrument() == null ? "" : r.instrument();
    }

    private static String text(EventRequest r) {
        String text = r.text() == null ? "" : r.text().strip();
        if (text.length() > LONGEST_TEXT) {
            throw ApiProblem.badInput(
                    "text", Reason.of("units.text").name("field", "text").number("limit", LONGEST_TEXT));
        }
        return text;
    }

    /** A second person is another one than whoever runs it. */
    private static String released(OpenRun run, String by) {
        String name = by == null ? "" : by.strip();
        if (name.isEmpty()) {
            return null;
        }
        if (name.equalsIgnoreCase(run.head().technician()) || name.length() > 80) {
            throw ApiProblem.badInput("releasedBy", Reason.of("units.release-missing"));
        }
        return name;
    }

    private static RunEvent.Turned turned(OpenRun run, RunState state, String step, EventRequest r) {
        if (run.head().practice()) {
            throw ApiProblem.conflict("turns", Reason.of("run.refused.rig-turns"));
        }
        if (r.turns() == null || !(Math.abs(r.turns()) <= 20)) {
            throw ApiProblem.badInput(
                    "turns",
                    Reason.of("situation.out-of-range")
                            .name("value", "" + r.turns())
                            .number("min", -20)
                            .number("max", 20));
        }
        boolean counted = state.step(step)
                .filter(s -> s.goal().filter(Goal.ToEnd.class::isInstance).isPresent())
                .isPresent();
        boolean own = state.step(step)
                .flatMap(Step::setting)
                .filter(s -> s.equals(r.setting()))
                .isPresent();
        boolean atEnd = r.atEnd() == null ? counted && own : r.atEnd();
        return new RunEvent.Turned(step, "" + r.setting(), r.turns(), atEnd);
    }

    private RunEvent.Reading live(OpenRun run, String step, String instrument) {
        long id = practice(run);
        kind(run.unit(), instrument);
        if (!instrument.equals(Expect.OIL)) {
            rigs.live(id).wrong().stream().findFirst().ifPresent(wrong -> {
                throw ApiProblem.conflict("reading", wrong);
            });
        }
        OptionalDouble value = rigs.live(id).reading(instrument);
        if (value.isEmpty()) {
            throw ApiProblem.conflict(
                    "reading", Reason.of("reading.not-settled").name("instrument", instrument));
        }
        return new RunEvent.Reading(step, instrument, value.getAsDouble(), Source.LIVE, oilOf(run));
    }

    private RunEvent.Cracked crackSeen(OpenRun run, String step) {
        Watch.Cracks seen = rigs.live(run.head().id()).cracks();
        OptionalDouble held = seen.found() ? seen.held() : OptionalDouble.empty();
        return new RunEvent.Cracked(step, seen(held, "reading.no-crack"), Source.LIVE, oilOf(run), seen.stands());
    }

    private RunEvent.Cracked tapped(OpenRun run, String step) {
        LiveRig live = rigs.live(run.head().id());
        double held = seen(live.cracks().held(), "reading.no-stand");
        return new RunEvent.Cracked(step, held, Source.TAPPED, oilOf(run), live.placeAtTap());
    }

    /** By what was typed between the turns. */
    private RunEvent.Cracked crackRead(OpenRun run, RunState state, String step) {
        Optional<CrackFromReadings> read =
                state.step(step).flatMap(s -> state.assess(s).crackRead());
        OptionalDouble held = read.filter(CrackFromReadings::found)
                .map(r -> OptionalDouble.of(r.heldPa()))
                .orElse(OptionalDouble.empty());
        return new RunEvent.Cracked(
                step,
                seen(held, "reading.no-crack"),
                Source.TYPED,
                oilOf(run),
                read.flatMap(CrackFromReadings::stands));
    }

    private RunEvent.Cracked tappedAtMachine(OpenRun run, RunState state, String step) {
        Optional<CrackFromReadings> read =
                state.step(step).flatMap(s -> state.assess(s).crackRead());
        OptionalDouble held = read.map(r -> OptionalDouble.of(r.heldPa())).orElse(OptionalDouble.empty());
        return new RunEvent.Cracked(step, seen(held, "reading.none-to-mark"), Source.TAPPED, oilOf(run));
    }

    private static double seen(OptionalDouble pressure, String why) {
        if (pressure.isEmpty()) {
            throw ApiProblem.conflict("crack", Reason.of(why));
        }
        return pressure.getAsDouble();
    }

    private static long practice(OpenRun run) {
        if (!run.head().practice()) {
            throw ApiProblem.conflict("reading", Reason.of("reading.no-live"));
        }
        return run.head().id();
    }

    /** The rig's thermometer; at a real machine the last one typed, which the run itself remembers. */
    private OptionalDouble oilOf(OpenRun run) {
        return run.head().practice()
                ? OptionalDouble.of(rigs.live(run.head().id()).oil())
                : OptionalDouble.empty();
    }

    private static Kind kind(PowerUnit unit, String instrument) {
        if (Expect.OIL.equals(instrument)) {
            return Kind.TEMPERATURE;
        }
        return unit.shows(instrument)
                .orElseThrow(() -> ApiProblem.badInput(
                        "reading", Reason.of("run.refused.no-instrument").name("instrument", instrument)));
    }

    /** Of what a hand types at an instrument: how it is measured, the unit of a bare number, and what can be meant. */
    private record Entry(Measure measure, String unit, double least, double most) {
        static Entry of(PowerUnit unit, String instrument, Kind kind) {
            double most = RunRules.largest(unit, instrument, kind);
            return switch (kind) {
                case PRESSURE -> {
                    PressureUnit reads = unit.testPoint(instrument).reads();
                    yield new Entry(Measure.PRESSURE, reads.label(), 0, reads.fromPa(most));
                }
                case TEMPERATURE -> new Entry(Measure.TEMPERATURE, "°C", COLDEST_C, most);
                case FLOW -> new Entry(Measure.FLOW, "L/min", 0, most / LPM);
                default -> new Entry(Measure.CURRENT, "A", 0, most);
            };
        }
    }

    /** A number as typed, to SI: in the instrument's own unit, or in the one that stands behind it. */
    static double number(PowerUnit unit, String instrument, String text) {
        Kind kind = kind(unit, instrument);
        double value = typed(Entry.of(unit, instrument, kind), instrument, text);
        return switch (kind) {
            case PRESSURE -> unit.testPoint(instrument).reads().toPa(value);
            case TEMPERATURE -> value + ZERO_C;
            case FLOW -> value * LPM;
            default -> value;
        };
    }

    /** A flow as typed, to m3/s: in L/min, or in the unit that stands behind it. @param most m3/s that can be meant */
    static double flow(String instrument, String text, double most) {
        return typed(new Entry(Measure.FLOW, "L/min", 0, most / LPM), instrument, text) * LPM;
    }

    private static double typed(Entry entry, String instrument, String text) {
        OptionalDouble filled = entry.measure() == Measure.FLOW ? ByVolume.flow(text) : OptionalDouble.empty();
        String said = filled.isPresent() ? String.format(Locale.ROOT, "%.4f L/min", filled.getAsDouble() / LPM) : text;
        TypedNumber number = entry.measure().parse(said, entry.unit(), entry.least(), entry.most());
        if (number instanceof TypedNumber.Refused refused) {
            throw ApiProblem.badInput(
                    "reading",
                    Reason.of("typed." + refused.code())
                            .name("value", refused.typed())
                            .number("limit", Wire.rounded(refused.limit(), 1))
                            .name("unit", entry.unit())
                            .name("units", String.join(", ", entry.measure().units()))
                            .name("instrument", instrument));
        }
        return ((TypedNumber.Accepted) number).value();
    }
}
