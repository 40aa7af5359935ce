package earlygate.upkeep;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.unit.Fluid;
import earlygate.upkeep.Entry.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * An oil sample held against the unit's oil.
 *
 * @param said a sentence for each figure that the sample has
 * @param dirty its particles are what fails; {@code spent} its water, viscosity or acid is
 */
public record SampleCheck(Grade grade, List<Reason> said, boolean dirty, boolean spent) {
    /** A sample that is one class off may be the bottle's dirt. */
    public static final int CERTAIN_CLASSES = 2;
    /** Rule of thumb for mineral oil. */
    public static final double MOST_WATER_PPM = 500;
    /** Share of the viscosity of new oil. */
    public static final double VISCOSITY_SPAN = 0.10;
    /** mg KOH/g above the first sample of this oil. */
    public static final double MOST_ACID_RISE = 1.0;

    /** @param firstAcid of this oil, since it was changed; empty where this sample is the first to tell it */
    static SampleCheck of(Sample sample, Fluid fluid, OptionalDouble firstAcid) {
        List<Reason> said = new ArrayList<>();
        List<Grade> spent = new ArrayList<>();
        Grade particles =
                sample.cleanliness().map(c -> particles(c, fluid, said)).orElse(Grade.PASS);
        sample.waterPpm().ifPresent(w -> spent.add(limit("upkeep.water.", w, MOST_WATER_PPM, said)));
        sample.viscosity40().ifPresent(v -> spent.add(viscosity(v, fluid, said)));
        if (sample.acid().isPresent()) {
            double acid = sample.acid().getAsDouble();
            if (firstAcid.isPresent()) {
                spent.add(limit("upkeep.acid.", acid, firstAcid.getAsDouble() + MOST_ACID_RISE, said));
            } else {
                said.add(Reason.of("upkeep.acid.first").number("value", acid));
            }
        }
        boolean fails = spent.contains(Grade.FAIL);
        Grade grade = fails ? Grade.FAIL : particles;
        return new SampleCheck(grade, said, particles == Grade.FAIL, fails);
    }

    private static Grade particles(Cleanliness c, Fluid fluid, List<Reason> said) {
        Optional<Cleanliness> target = Cleanliness.parse(fluid.cleanlinessTarget());
        if (target.isEmpty()) {
            said.add(Reason.of("upkeep.particles.no-target").name("code", c.code()));
            return Grade.CANNOT_TELL;
        }
        int above = c.above(target.get());
        Grade grade = above <= 0 ? Grade.PASS : above < CERTAIN_CLASSES ? Grade.CANNOT_TELL : Grade.FAIL;
        said.add(Reason.of("upkeep.particles." + grade.key())
                .name("code", c.code())
                .name("target", target.get().code())
                .number("above", Math.max(0, above)));
        return grade;
    }

    private static Grade viscosity(double viscosity, Fluid fluid, List<Reason> said) {
        double off = viscosity / fluid.viscosity40() - 1;
        Grade grade = Math.abs(off) <= VISCOSITY_SPAN ? Grade.PASS : Grade.FAIL;
        said.add(Reason.of("upkeep.viscosity." + grade.key())
                .number("value", viscosity * 1e6)
                .number("new", fluid.viscosity40() * 1e6)
                .ratio("span", VISCOSITY_SPAN));
        return grade;
    }

    /** @param code up to its grade */
    private static Grade limit(String code, double value, double most, List<Reason> said) {
        Grade grade = value <= most ? Grade.PASS : Grade.FAIL;
        said.add(Reason.of(code + grade.key()).number("value", value).number("most", most));
        return grade;
    }
}
