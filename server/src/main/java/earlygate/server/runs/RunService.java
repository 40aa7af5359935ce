package earlygate.server.runs;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.TestPoint;
import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.plan.Plan;
import earlygate.plan.Planner;
import earlygate.plan.School;
import earlygate.quantity.TypedNumber;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunRules;
import earlygate.run.RunState;
import earlygate.server.calc.CalcInput;
import earlygate.server.calc.Instruments;
import earlygate.server.rig.RigHost;
import earlygate.server.units.UnitStore;
import earlygate.server.units.UnitStore.StoredUnit;
import earlygate.server.words.ApiProblem;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;

/** Starts runs and writes their logs, one writer per run at a time. */
@Service
public class RunService {
    /**
     * What the screen sends. Which fields count depends on {@code kind}.
     *
     * @param key the sender's own name for this event; sent again, it is written only once
     * @param kind step-done, reading, live-reading, turned, cracked, take-crack, deviation, again or hold-opened
     * @param instrument test point, driver or OIL
     * @param text number as typed, or the reason of a deviation
     * @param turns clockwise positive
     */
    public record EventRequest(
            String key,
            String kind,
            String step,
            String instrument,
            String text,
            String setting,
            Double turns,
            String phase) {}

    private static final int NAME_LIMIT = 80;

    private final RunStore store;
    private final OpenRuns open;
    private final UnitStore units;
    private final RigHost rigs;
    private final Map<Long, Object> locks = new ConcurrentHashMap<>();

    RunService(RunStore store, OpenRuns open, UnitStore units, RigHost rigs) {
        this.store = store;
        this.open = open;
        this.units = units;
        this.rigs = rigs;
    }

    long start(String tag, String technician, School school, JsonNode gapSchool, boolean practice) {
        String name = technician == null ? "" : technician.strip();
        if (name.isEmpty()) {
            throw ApiProblem.badInput("technician", Reason.of("runs.name-missing"));
        }
        if (name.length() > NAME_LIMIT) {
            throw ApiProblem.badInput("technician", Reason.of("runs.name-long").number("limit", NAME_LIMIT));
        }
        StoredUnit stored = units.newest(tag);
        Plan plan = Planner.plan(CalcInput.unitText(stored.document()).unit(), school, CalcInput.gaps(gapSchool));
        if (!plan.refused().isEmpty()) {
            Plan.Refusal first = plan.refused().get(0);
            throw ApiProblem.conflict("plan", first.message());
        }
        String gaps = gapSchool == null ? "null" : gapSchool.toString();
        return store.start(tag, stored.revision(), plan, gaps, name, practice);
    }

    /** Writes an event unless it was delivered before; returns the run as it stands after. */
    RunState append(long runId, EventRequest request) {
        if (request.key() == null || request.key().isBlank() || request.key().length() > 64) {
            throw ApiProblem.badInput("key", Reason.of("runs.key-missing"));
        }
        return locked(runId, () -> {
            if (store.delivered(runId, request.key())) {
                return open.state(runId);
            }
            return write(runId, request.key(), body(runId, request), request.kind());
        });
    }

    /** A turn made on the practice machine goes into the log by itself. */
    public void turned(long runId, String setting, double turns) {
        locked(runId, () -> {
            RunState state = open.state(runId);
            if (state.current().isEmpty() || state.waitingAt().isPresent()) {
                return state;
            }
            RunEvent.Body body = new RunEvent.Turned(state.current().get().id(), setting, turns);
            return write(runId, UUID.randomUUID().toString(), body, "turned");
        });
    }

    private RunState locked(long runId, java.util.function.Supplier<RunState> action) {
        synchronized (locks.computeIfAbsent(runId, id -> new Object())) {
            return action.get();
        }
    }

    private RunState write(long runId, String key, RunEvent.Body body, String path) {
        Optional<Reason> refusal = RunRules.refusal(open.state(runId), body);
        if (refusal.isPresent()) {
            throw ApiProblem.conflict(path, refusal.get());
        }
        store.append(runId, open.run(runId).head().technician(), key, body);
        RunState after = open.state(runId);
        rigs.follow(runId, after);
        return after;
    }

    private RunEvent.Body body(long runId, EventRequest r) {
        String step = r.step() == null ? "" : r.step();
        return switch (r.kind() == null ? "" : r.kind()) {
            case "step-done" -> new RunEvent.StepDone(step);
            case "reading" -> typed(runId, step, r);
            case "live-reading" -> live(runId, step, r.instrument());
            case "turned" -> new RunEvent.Turned(step, "" + r.setting(), turns(r));
            case "cracked" -> tapped(runId, step, r);
            case "take-crack" -> detected(runId, step);
            case "deviation" ->
                new RunEvent.Deviation(step, r.text() == null ? "" : r.text().strip());
            case "again" -> new RunEvent.Again(step);
            case "hold-opened" -> new RunEvent.HoldOpened("" + r.phase());
            default -> throw ApiProblem.badInput("kind", Reason.of("runs.kind").name("value", "" + r.kind()));
        };
    }

    private static double turns(EventRequest r) {
        if (r.turns() == null || !(Math.abs(r.turns()) <= 20)) {
            throw ApiProblem.badInput(
                    "turns",
                    Reason.of("situation.out-of-range")
                            .name("value", "" + r.turns())
                            .number("min", -20)
                            .number("max", 20));
        }
        return r.turns();
    }

    private RunEvent.Reading typed(long runId, String step, EventRequest r) {
        return new RunEvent.Reading(
                step, r.instrument(), number(runId, r.instrument(), r.text()), Source.TYPED, oilOf(runId));
    }

    private RunEvent.Cracked tapped(long runId, String step, EventRequest r) {
        return new RunEvent.Cracked(step, number(runId, r.instrument(), r.text()), Source.TAPPED, oilOf(runId));
    }

    private RunEvent.Reading live(long runId, String step, String instrument) {
        practice(runId);
        kind(runId, instrument);
        if (!rigs.settled(runId, instrument)) {
            throw ApiProblem.conflict(
                    "reading", Reason.of("reading.not-settled").name("instrument", instrument));
        }
        return new RunEvent.Reading(step, instrument, rigs.reading(runId, instrument), Source.LIVE, oilOf(runId));
    }

    private RunEvent.Cracked detected(long runId, String step) {
        practice(runId);
        OptionalDouble pressure = rigs.crackedAt(runId);
        if (pressure.isEmpty()) {
            throw ApiProblem.conflict("crack", Reason.of("reading.no-crack"));
        }
        return new RunEvent.Cracked(step, pressure.getAsDouble(), Source.LIVE, oilOf(runId));
    }

    private void practice(long runId) {
        if (!open.run(runId).head().practice()) {
            throw ApiProblem.conflict("reading", Reason.of("reading.no-live"));
        }
    }

    /** The rig's thermometer; at a real machine the last one typed, which the run itself remembers. */
    private OptionalDouble oilOf(long runId) {
        return open.run(runId).head().practice() ? OptionalDouble.of(rigs.oil(runId)) : OptionalDouble.empty();
    }

    private Kind kind(long runId, String instrument) {
        PowerUnit unit = open.run(runId).unit();
        if (Expect.OIL.equals(instrument)) {
            return Kind.TEMPERATURE;
        }
        if (unit.testPoints().stream().anyMatch(t -> t.id().equals(instrument))) {
            return Kind.PRESSURE;
        }
        if (unit.components().stream().anyMatch(c -> c.id().equals(instrument))) {
            return Kind.CURRENT;
        }
        throw ApiProblem.badInput(
                "reading", Reason.of("run.refused.no-instrument").name("instrument", "" + instrument));
    }

    /** A number as typed, in the instrument's own unit, to SI. */
    private double number(long runId, String instrument, String text) {
        PowerUnit unit = open.run(runId).unit();
        Kind kind = kind(runId, instrument);
        Optional<TestPoint> gauge = unit.testPoints().stream()
                .filter(t -> t.id().equals(instrument))
                .findFirst();
        double largest = RunRules.largest(unit, instrument, kind);
        double limit = gauge.map(g -> g.reads().fromPa(largest)).orElse(largest);
        TypedNumber number = TypedNumber.parse(text, limit);
        if (number instanceof TypedNumber.Refused refused) {
            throw ApiProblem.badInput(
                    "reading",
                    Reason.of("typed." + refused.code())
                            .name("value", refused.typed())
                            .number("limit", Math.round(limit * 10) / 10.0)
                            .name("unit", Instruments.label(unit, instrument, kind))
                            .name("instrument", instrument));
        }
        double value = ((TypedNumber.Accepted) number).value();
        return switch (kind) {
            case PRESSURE -> gauge.orElseThrow().reads().toPa(value);
            case TEMPERATURE -> value + ZERO_C;
            default -> value;
        };
    }
}
