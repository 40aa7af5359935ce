package earlygate.pattern;

import java.util.List;

/** A pump that holds its line by its own compensator, and a relief behind it. */
final class CompensatedPump implements Pattern {
    static final String OFTEN = "power 15, speed 1460, displacement 28, pump-rating 210, compensator 150, relief 172, "
            + "work-pressure 125, work-flow 30";

    @Override
    public String id() {
        return "compensated-pump";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                Plates.compensatorAndRelief(),
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        return OFTEN;
    }

    @Override
    public Sheet draw(Answers a) {
        return Compensated.draw(a, 100).workingOnTheLine(a);
    }
}
