package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.quantity.PressureUnit;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Reopened;
import earlygate.run.RunEvent.Stopped;
import earlygate.run.RunEvent.Struck;
import earlygate.run.RunEvent.Turned;
import earlygate.run.RunRules;
import earlygate.run.RunState;
import earlygate.run.ScrewTaught;
import earlygate.server.api.NoteView;
import earlygate.server.api.PlanView;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Words;
import earlygate.unit.Positioned;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** The log of a run in words. */
final class RunLog {
    private RunLog() {}

    static List<LogView> newestFirst(RunState state, Words words, int most) {
        List<RunEvent> events = state.events();
        return IntStream.iterate(events.size() - 1, i -> i >= 0, i -> i - 1)
                .filter(i -> isTold(events, i))
                .limit(most)
                .mapToObj(i -> view(state, events.get(i), words))
                .toList();
    }

    static List<LogView> all(RunState state, Words words) {
        List<RunEvent> events = state.events();
        return IntStream.range(0, events.size())
                .filter(i -> isTold(events, i))
                .mapToObj(i -> view(state, events.get(i), words))
                .toList();
    }

    /** Of a hand wheel moved bit by bit only the last is told. */
    private static boolean isTold(List<RunEvent> events, int i) {
        return i + 1 == events.size() || !goesOn(events.get(i), events.get(i + 1));
    }

    private static boolean goesOn(RunEvent e, RunEvent next) {
        return e.body() instanceof Handled a
                && next.body() instanceof Handled b
                && a.action().equals("open")
                && b.action().equals("open")
                && a.part().equals(b.part())
                && a.step().equals(b.step());
    }

    private static LogView view(RunState state, RunEvent e, Words words) {
        String step = e.body() instanceof OfStep s ? s.step() : "";
        boolean mayStrike = e.body() instanceof OfStep
                && RunRules.refusal(state, new RunEvent.Struck(step, e.seq())).isEmpty();
        Words said = e.body() instanceof Reading r
                ? state.unit()
                        .findTestPoint(r.instrument())
                        .map(t -> words.readIn(t.reads()))
                        .orElse(words)
                : words;
        return new LogView(
                e.seq(),
                e.at(),
                e.by(),
                step,
                e.kind(),
                said.say(reason(state, e)),
                state.isStruck(e.seq()),
                mayStrike);
    }

    private static Reason reason(RunState state, RunEvent e) {
        if (e.body() instanceof Reading r) {
            String how = r.source() == RunEvent.Source.TYPED && r.still() ? "typed-still" : key(r.source());
            return Reason.of("log.reading-" + how)
                    .name("instrument", r.instrument())
                    .with("value", new Amount(r.value(), kind(state, r)));
        }
        if (e.body() instanceof RunEvent.Point p) {
            return Reason.of("log.point-" + key(p.source()))
                    .pressure("pressure", p.pressurePa())
                    .flow("flow", p.flow());
        }
        if (e.body() instanceof RunEvent.LeftOut l) {
            return Reason.of("log.left-out").number("seq", l.point()).name("reason", l.reason());
        }
        if (e.body() instanceof Turned t) {
            String way = t.turns() == 0 ? "log.found-at-end" : t.turns() > 0 ? "log.turned-in" : "log.turned-out";
            return Reason.of(t.atEnd() && t.turns() != 0 ? way + "-end" : way)
                    .name("setting", t.setting())
                    .turns("turns", Math.abs(t.turns()));
        }
        if (e.body() instanceof Cracked c) {
            return Reason.of("log.cracked-" + key(c.source())).pressure("value", c.pressurePa());
        }
        if (e.body() instanceof Deviation d) {
            return Reason.of(d.releasedBy().isPresent() ? "log.deviation-released" : "log.deviation")
                    .name("reason", d.reason())
                    .name("by", d.releasedBy().orElse(""));
        }
        if (e.body() instanceof HoldOpened h) {
            return Reason.of("log.hold-opened")
                    .name(
                            "phase",
                            state.plan().phases().stream()
                                    .filter(p -> p.id().key().equals(h.phase()))
                                    .findFirst()
                                    .map(p -> PlanView.title(p.id(), Words.in(PressureUnit.BAR)))
                                    .orElse(h.phase()));
        }
        if (e.body() instanceof Handled h) {
            return handled(state, h);
        }
        if (e.body() instanceof Stopped s) {
            return Reason.of("log.stopped." + s.cause()).name("driver", s.driver());
        }
        if (e.body() instanceof Noted n) {
            return Reason.of("log.noted").name("text", NoteView.text(n.note(), n.text(), Words.in(PressureUnit.BAR)));
        }
        if (e.body() instanceof RunEvent.Began b) {
            return b.rig()
                    .map(rig -> Reason.of("log.began-on-rig").said("rig", Reason.of("part.rig-" + rig)))
                    .orElse(Reason.of("log.began-knowing")
                            .name(
                                    "screws",
                                    b.screws().stream()
                                            .map(ScrewTaught::setting)
                                            .distinct()
                                            .collect(Collectors.joining(", "))));
        }
        if (e.body() instanceof RunEvent.Paused p) {
            return Reason.of(p.reason().isBlank() ? "log.paused" : "log.paused-for")
                    .name("reason", p.reason());
        }
        if (e.body() instanceof RunEvent.Signed s) {
            return Reason.of("log.signed-" + s.role().key()).name("name", s.name());
        }
        if (e.body() instanceof RunEvent.Amended a) {
            return Reason.of("log.amended").name("by", a.by()).name("text", a.text());
        }
        if (e.body() instanceof RunEvent.Attached a) {
            return Reason.of("log.attached")
                    .name("name", a.name())
                    .number("size", Math.ceil(a.size() / 1000.0))
                    .name("hash", a.hash().substring(0, 12));
        }
        if (e.body() instanceof RunEvent.TakenOff off) {
            return Reason.of("log.taken-off").number("seq", off.file());
        }
        if (e.body() instanceof RunEvent.WentOn) {
            return Reason.of("log.went-on");
        }
        if (e.body() instanceof RunEvent.Replaced r) {
            return Reason.of("log.replaced").name("setting", r.setting());
        }
        if (e.body() instanceof Struck s) {
            return Reason.of("log.struck").number("seq", s.wrong());
        }
        if (e.body() instanceof Reopened r) {
            return Reason.of("log.reopened").name("step", r.step());
        }
        return Reason.of(e.body() instanceof RunEvent.Again ? "log.again" : "log.step-done");
    }

    private static Reason handled(RunState state, Handled h) {
        Reason reason = Reason.of("log.handled." + h.action()).name("part", h.part());
        return switch (h.action()) {
            case "open" -> reason.ratio("to", Double.parseDouble(h.to()));
            case "pass" -> reason.time("to", Double.parseDouble(h.to()));
            case "speed" -> reason.number("to", Double.parseDouble(h.to()));
            case "nut", "vent", "lock-out", "suction", "fill", "rotation" ->
                Reason.of("log.handled." + h.action() + (Double.parseDouble(h.to()) > 0.5 ? "-on" : "-off"))
                        .name("part", h.part());
            default -> reason.name("to", position(state, h));
        };
    }

    /** As the lever is marked; anything else as it is. */
    private static String position(RunState state, Handled h) {
        return state.unit().all(Positioned.class).stream()
                .filter(v -> v.id().equals(h.part()))
                .map(v -> v.word(h.to()))
                .findFirst()
                .orElse(h.to());
    }

    private static String key(RunEvent.Source source) {
        return source.key();
    }

    private static Kind kind(RunState state, Reading r) {
        if (r.instrument().equals(Expect.OIL)) {
            return Kind.TEMPERATURE;
        }
        return state.unit().shows(r.instrument()).orElse(Kind.CURRENT);
    }

    static String source(RunEvent event) {
        return event.body() instanceof Reading r ? key(r.source()) : key(((Cracked) event.body()).source());
    }
}
