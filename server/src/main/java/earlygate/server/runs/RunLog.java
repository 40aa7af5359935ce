package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.run.RunEvent;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Turned;
import earlygate.run.RunState;
import earlygate.server.calc.PlanView;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Words;
import java.util.List;

/** The log of a run in words. */
final class RunLog {
    private RunLog() {}

    static List<LogView> newestFirst(RunState state, Words words, int most) {
        List<RunEvent> events = state.events();
        return java.util.stream.IntStream.range(0, Math.min(most, events.size()))
                .mapToObj(i -> events.get(events.size() - 1 - i))
                .map(e -> view(state, e, words))
                .toList();
    }

    static List<LogView> all(RunState state, Words words) {
        return state.events().stream().map(e -> view(state, e, words)).toList();
    }

    private static LogView view(RunState state, RunEvent e, Words words) {
        String step = e.body() instanceof OfStep s ? s.step() : "";
        return new LogView(e.seq(), e.at(), e.by(), step, words.say(reason(state, e)));
    }

    private static Reason reason(RunState state, RunEvent e) {
        if (e.body() instanceof Reading r) {
            return Reason.of("log.reading-" + r.source().name().toLowerCase())
                    .name("instrument", r.instrument())
                    .with("value", new Amount(r.value(), kind(state, r)));
        }
        if (e.body() instanceof Turned t) {
            return Reason.of(t.turns() > 0 ? "log.turned-in" : "log.turned-out")
                    .name("setting", t.setting())
                    .turns("turns", Math.abs(t.turns()));
        }
        if (e.body() instanceof Cracked c) {
            return Reason.of("log.cracked-" + c.source().name().toLowerCase()).pressure("value", c.pressurePa());
        }
        if (e.body() instanceof Deviation d) {
            return Reason.of("log.deviation").name("reason", d.reason());
        }
        if (e.body() instanceof HoldOpened h) {
            Phase phase = state.plan().phases().stream()
                    .filter(p -> p.id().key().equals(h.phase()))
                    .findFirst()
                    .orElseThrow();
            return Reason.of("log.hold-opened")
                    .name("phase", PlanView.title(phase.id(), Words.in(earlygate.quantity.PressureUnit.BAR)));
        }
        return Reason.of(e.body() instanceof RunEvent.Again ? "log.again" : "log.step-done");
    }

    private static Kind kind(RunState state, Reading r) {
        return state.plan().step(r.step()).expect().stream()
                .filter(x -> x.instrument().equals(r.instrument()))
                .findFirst()
                .map(earlygate.plan.Expect::kind)
                .orElse(Kind.PRESSURE);
    }

    /** The event whose number decides an instrument's expectation in a step: a crack point, or the last reading. */
    static RunEvent deciding(RunState state, Step step, String instrument) {
        boolean crack = step.goal()
                .filter(g ->
                        g.way() == Step.Way.BACK_OUT_TO_CRACK && g.testPoint().equals(instrument))
                .isPresent();
        var record = state.record(step.id());
        return (crack ? record.crackedEvent() : record.readingEvent(instrument)).orElseThrow();
    }

    static String source(RunEvent event) {
        return event.body() instanceof Reading r
                ? r.source().name().toLowerCase()
                : ((Cracked) event.body()).source().name().toLowerCase();
    }
}
