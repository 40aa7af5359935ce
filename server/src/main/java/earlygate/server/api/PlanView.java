package earlygate.server.api;

import static earlygate.quantity.Si.BAR;

import earlygate.audit.Violation;
import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.plan.Bring;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.server.words.Words;
import earlygate.unit.Gear;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import earlygate.unit.file.SituationWriter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** A plan in words and in the units of its instruments. */
public record PlanView(
        String school,
        String why,
        List<String> order,
        AuditView audit,
        BringView bring,
        List<PhaseView> phases,
        List<ComparisonView> comparison,
        List<RefusalView> refused) {
    /** @param steps how many were replayed without a violation; 0 where a plan is refused; {@code points} of the audit */
    public record AuditView(int steps, int points, String said) {}

    /** @param tools with the adjusters each is for; {@code gear} to fit and take off again; {@code gauges} of the unit */
    public record BringView(List<String> tools, List<String> gauges, List<String> gear, int people, double minutes) {}

    public record PhaseView(String id, String title, HoldPointView holdPoint, List<StepView> steps) {}

    public record HoldPointView(List<String> conditions) {}

    /**
     * @param setting null for steps without an adjuster
     * @param inControl null where the load decides or nothing is read
     * @param goalBar null for steps that bring nothing to a reading
     * @param goal what the adjuster is brought to; null for steps without one
     * @param demand zero, load-moved, return, both-ways, rest or as-found: what it asks besides its readings; null for most
     * @param notes what is to be written down in it
     * @param test the test of the finished unit that it belongs to, in words; null for most
     * @param moves what a hand does, in order: nothing else differs between two steps' situations
     * @param unprotected s without a limit below the ratings other than the screw at hand; null where there is one
     */
    public record StepView(
            String id,
            String kind,
            String setting,
            String action,
            String why,
            String inControl,
            @Schema(implementation = Object.class) JsonNode situation,
            List<ExpectView> expect,
            List<String> ifNot,
            List<String> cautions,
            String tool,
            int people,
            double minutes,
            Double unprotected,
            String way,
            Double goalBar,
            GoalView goal,
            String demand,
            String test,
            List<NoteView> notes,
            List<MoveView> moves) {}

    /**
     * Values in the unit of the gauge; turns of a screw for {@code turns} and {@code end}.
     *
     * @param kind gauge, difference, peak, crack, turns, end, flow or current
     * @param minus gauge that is taken off it; null for one gauge alone
     */
    public record GoalView(
            String kind, String testPoint, String minus, double value, double low, double high, String reads) {}

    /**
     * @param kind start, stop, open, shift, turn, nut, fit, remove, vent, block, free or drain
     * @param to opening 0 to 1, position, or the place where something is fitted; null for the others
     * @param turns about how many, clockwise positive; null but for turn
     */
    public record MoveView(
            String kind,
            String id,
            @Schema(implementation = Object.class) Object to,
            Double turns) {}

    /**
     * @param testPoint a gauge, a driver (its current), or OIL; values in the unit that it reads
     * @param take standing, peak, valley or after: at which moment it is read
     * @param afterS seconds after the drives have stopped
     */
    public record ExpectView(
            String testPoint, double value, double low, double high, String reads, String take, double afterS) {}

    public record ComparisonView(
            String school,
            double peakMotorLoad,
            double heatKj,
            double tankRiseC,
            double unprotectedS,
            int moves,
            double minutes,
            String refused) {}

    public record RefusalView(String code, String subject, String message) {}

    public static PlanView of(PowerUnit unit, Plan plan, Words words) {
        return new PlanView(
                plan.school().key(),
                words.say(plan.why()),
                plan.order().stream().map(words::say).toList(),
                audit(plan, words),
                bring(unit, plan, words),
                plan.phases().stream().map(p -> phase(unit, p, words)).toList(),
                plan.comparison().stream().map(c -> comparison(c, words)).toList(),
                plan.refused().stream()
                        .map(r -> new RefusalView(r.code(), r.subject(), words.say(r.message())))
                        .toList());
    }

    private static AuditView audit(Plan plan, Words words) {
        int points = Violation.Point.values().length;
        Reason said = plan.audited() == 0
                ? Reason.of("audit.none")
                : Reason.of("audit.clean").number("steps", plan.audited()).number("points", points);
        return new AuditView(plan.audited(), points, words.say(said));
    }

    private static BringView bring(PowerUnit unit, Plan plan, Words words) {
        Bring bring = Bring.of(unit, plan);
        return new BringView(
                bring.wrenches().entrySet().stream()
                        .map(e -> words.say(
                                Reason.of("bring.tool").name("tool", e.getKey()).names("settings", e.getValue())))
                        .toList(),
                unit.testPoints().stream()
                        .map(t -> words.readIn(t.reads())
                                .say(Reason.of("bring.gauge")
                                        .name("gauge", t.id())
                                        .name("line", t.line())
                                        .pressure("range", t.rangePa())
                                        .name("class", Wire.figure(t.accuracyClass()) + "")))
                        .toList(),
                unit.testGear().stream()
                        .filter(g -> bring.gear().contains(g.id()))
                        .map(g -> words.say(gear(g)))
                        .toList(),
                bring.people(),
                bring.minutes());
    }

    private static Reason gear(Gear gear) {
        return gear instanceof Gear.FlowMeter m
                ? Reason.of("bring.meter").name("gear", m.id()).flow("range", m.range())
                : Reason.of("bring.valve")
                        .name("gear", gear.id())
                        .pressure("rating", ((Gear.LoadValve) gear).maxPressure());
    }

    private static PhaseView phase(PowerUnit unit, Phase p, Words words) {
        return new PhaseView(
                p.id().key(),
                title(p.id(), words),
                new HoldPointView(p.holdPoint().stream().map(words::say).toList()),
                p.steps().stream().map(s -> step(unit, s, words)).toList());
    }

    public static String title(Phase.Id id, Words words) {
        return words.say(Reason.of("phase." + id.key()));
    }

    /** The unit of the gauge that a step is read on; sentences of the step speak it. */
    public static Words readAs(PowerUnit unit, Step s, Words words) {
        return s.goal()
                .map(Goal::testPoint)
                .or(() -> s.expect().stream().map(Expect::instrument).findFirst())
                .flatMap(unit::findTestPoint)
                .map(t -> words.readIn(t.reads()))
                .orElse(words);
    }

    public static StepView step(PowerUnit unit, Step s, Words chosen) {
        Words words = readAs(unit, s, chosen);
        Shown shown = new Shown(unit, chosen.chosen());
        return new StepView(
                s.id(),
                s.kind().key(),
                s.setting().orElse(null),
                words.say(s.action()),
                words.say(s.why()),
                s.inControl().orElse(null),
                SituationWriter.write(unit, s.situation()),
                s.expect().stream().map(e -> expect(shown, e)).toList(),
                s.ifNot().stream().map(words::say).toList(),
                s.cautions().stream().map(words::say).toList(),
                s.tool(),
                s.people(),
                s.minutes(),
                s.unprotected() ? 60 * s.minutes() : null,
                s.goal().map(PlanView::way).orElse(null),
                s.measured().map(g -> g.targetPa() / BAR).orElse(null),
                s.goal().map(g -> goal(shown, s, g)).orElse(null),
                s.demand().map(d -> d.key()).orElse(null),
                s.procedure().map(p -> TestedView.name(unit, p, words)).orElse(null),
                s.notes().stream().map(n -> NoteView.of(n, words)).toList(),
                s.moves().stream().map(m -> move(unit, m)).toList());
    }

    private static MoveView move(PowerUnit unit, Move m) {
        Object to = switch (m.kind()) {
            case OPEN -> Wire.figure(m.amount());
            case SHIFT -> m.to();
            case FIT ->
                unit.gaugesOn(m.to()).stream()
                        .map(TestPoint::id)
                        .filter(id -> unit.findTestPoint(m.id()).isEmpty() || id.equals(m.id()))
                        .findFirst()
                        .orElse(m.to());
            default -> null;
        };
        return new MoveView(m.kind().key(), m.id(), to, m.kind() == Move.Kind.TURN ? m.amount() : null);
    }

    /** For the hand a flow is turned to its reading like a pressure; the goal's kind tells them apart. */
    private static String way(Goal goal) {
        return (goal.way() == Goal.Way.TURN_TO_RATE ? Goal.Way.TURN_TO_READING : goal.way()).key();
    }

    private static GoalView goal(Shown shown, Step s, Goal goal) {
        if (goal instanceof Goal.Turned t) {
            String kind = goal instanceof Goal.ToEnd ? "end" : "turns";
            return new GoalView(kind, goal.testPoint(), null, t.turns(), t.turns(), t.turns(), "rev");
        }
        if (goal instanceof Goal.Rate r) {
            return new GoalView(
                    r.quantity() == Value.Kind.FLOW ? "flow" : "current",
                    r.testPoint(),
                    null,
                    shown.value(r.testPoint(), r.quantity(), r.target()),
                    shown.value(r.testPoint(), r.quantity(), r.target() - r.tolerance()),
                    shown.value(r.testPoint(), r.quantity(), r.target() + r.tolerance()),
                    shown.label(r.testPoint(), r.quantity()));
        }
        Goal.Measured g = (Goal.Measured) goal;
        boolean peak = s.expect().stream().anyMatch(e -> e.take() == Expect.Take.PEAK);
        String kind =
                g instanceof Goal.Crack ? "crack" : g.minus().isPresent() ? "difference" : peak ? "peak" : "gauge";
        return new GoalView(
                kind,
                g.testPoint(),
                g.minus().orElse(null),
                shown.value(g.testPoint(), Value.Kind.PRESSURE, g.targetPa()),
                shown.value(g.testPoint(), Value.Kind.PRESSURE, g.targetPa() - g.tolerancePa()),
                shown.value(g.testPoint(), Value.Kind.PRESSURE, g.targetPa() + g.tolerancePa()),
                shown.label(g.testPoint(), Value.Kind.PRESSURE));
    }

    private static ExpectView expect(Shown shown, Expect e) {
        return new ExpectView(
                e.instrument(),
                shown.value(e.instrument(), e.kind(), e.value()),
                shown.value(e.instrument(), e.kind(), e.low()),
                shown.value(e.instrument(), e.kind(), e.high()),
                shown.label(e.instrument(), e.kind()),
                e.take().key(),
                e.afterS());
    }

    private static ComparisonView comparison(Plan.Comparison c, Words words) {
        return new ComparisonView(
                c.school().key(),
                Wire.rounded(c.peakMotorLoad(), 3),
                Math.round(c.heat() / 1000),
                Wire.rounded(c.tankRise(), 1),
                c.unprotected(),
                c.moves(),
                c.minutes(),
                c.refused().map(r -> words.say(r.message())).orElse(null));
    }
}
