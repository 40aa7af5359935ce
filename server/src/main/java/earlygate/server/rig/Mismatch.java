package earlygate.server.rig;

import earlygate.explain.Reason;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.rig.Rig;
import earlygate.rig.Standing;
import earlygate.unit.Driver;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** How the practice machine stands otherwise than a step that is read needs it; each with what to put back. */
final class Mismatch {
    /** A hand wheel is shut or fully open to within this. */
    private static final double AT_END = 0.02;

    /** One that is set in between lets at least this share of its opening through. */
    private static final double LEAST_SHARE = 0.25;

    private Mismatch() {}

    static List<Reason> of(PowerUnit unit, Step step, Rig rig) {
        List<Reason> wrong = new ArrayList<>();
        boolean reads = step.expect().stream().anyMatch(e -> !e.instrument().equals(earlygate.plan.Expect.OIL))
                || step.goal().filter(g -> !(g instanceof Goal.ToEnd)).isPresent()
                || step.curve().isPresent();
        if (!reads) {
            return wrong;
        }
        Situation must = step.situation();
        Standing is = rig.standing();
        for (Driver d : unit.all(Driver.class)) {
            boolean runs = unit.at(must).isRunning(d);
            if (runs != is.running().get(d.id())) {
                wrong.add(
                        Reason.of(runs ? "rig.wrong.stands" : "rig.wrong.runs").name("part", d.id()));
            }
        }
        is.speeds().forEach((engine, set) -> {
            Situation.Drive drive = must.drivers().get(engine);
            double stated = drive == null ? set : drive.speed().orElse(set);
            if (Math.round(60 * stated) != Math.round(60 * set)) {
                wrong.add(Reason.of("rig.wrong.speed")
                        .name("part", engine)
                        .number("is", Math.round(60 * set))
                        .number("must", Math.round(60 * stated)));
            }
        });
        for (Map.Entry<String, String> p : must.positions().entrySet()) {
            String at = is.positions().get(p.getKey());
            if (at != null && !at.equals(p.getValue())) {
                wrong.add(Reason.of("rig.wrong.position")
                        .name("part", p.getKey())
                        .name("is", word(unit, p.getKey(), at))
                        .name("must", word(unit, p.getKey(), p.getValue())));
            }
        }
        is.vents().forEach((relief, open) -> {
            if (open != must.vented().contains(relief)) {
                wrong.add(Reason.of(open ? "rig.wrong.vented" : "rig.wrong.not-vented")
                        .name("part", relief));
            }
        });
        for (Map.Entry<String, Double> o : must.openings().entrySet()) {
            Double at = is.openings().get(o.getKey());
            boolean moved =
                    step.curve().filter(c -> c.load().equals(o.getKey())).isPresent();
            if (at != null && !moved) {
                opening(o.getKey(), o.getValue(), at, wrong);
            }
        }
        return wrong;
    }

    /** As the lever is marked. */
    private static String word(PowerUnit unit, String valve, String position) {
        return ((Positioned) unit.component(valve)).word(position);
    }

    private static void opening(String part, double must, double is, List<Reason> wrong) {
        if (must <= 0 && is > AT_END) {
            wrong.add(Reason.of("rig.wrong.open").name("part", part));
        } else if (must >= 1 && is < 1 - AT_END) {
            wrong.add(Reason.of("rig.wrong.not-open").name("part", part));
        } else if (must > 0 && must < 1 && is < LEAST_SHARE * must) {
            wrong.add(Reason.of("rig.wrong.no-flow").name("part", part));
        }
    }
}
