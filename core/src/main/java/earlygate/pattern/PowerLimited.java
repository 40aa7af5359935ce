package earlygate.pattern;

import static earlygate.pattern.Question.needed;

import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;

/** A compensated pump that also gives way where pressure times flow would ask too much of its motor. */
final class PowerLimited implements Pattern {
    @Override
    public String id() {
        return "power-limited";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                List.of(needed("power-limit", Measure.POWER, Group.SCHEMATIC, 0.1, 1000)),
                Plates.compensatorAndRelief(),
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        return "power 22, speed 1470, displacement 63, pump-rating 280, power-limit 18, compensator 210, "
                + "relief 230, work-pressure 160, work-flow 55";
    }

    @Override
    public Sheet draw(Answers a) {
        Compensated c = Compensated.draw(a, 200);
        c.pump.group("powerLimiter").set("limitKw", a.get("power-limit"));
        return c.workingOnTheLine(a);
    }
}
