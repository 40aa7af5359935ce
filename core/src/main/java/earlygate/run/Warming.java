package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.StepDone;
import earlygate.unit.Fluid;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** How much longer cold oil takes to come into its band: at first by the heat of the plan, then as it really warms. */
final class Warming {
    /** A thermometer shows tenths at best: a rate is told by so many kelvin, or after so many seconds. */
    private static final double APART_K = 2;

    private static final double APART_S = 600;

    private Warming() {}

    /** Empty where the step warms nothing, or the oil is not cold. */
    static Optional<Reason> left(RunState run, Step step, double oil) {
        Fluid fluid = run.unit().fluid();
        Optional<Amount> planned = Optional.ofNullable(step.why().amounts().get("heat"));
        if (planned.isEmpty() || oil >= fluid.bandLow()) {
            return Optional.empty();
        }
        OptionalDouble measured = measured(run, fluid);
        double heat = measured.orElse(planned.get().si());
        OptionalDouble seconds = fluid.warmingTime(oil, fluid.bandLow(), heat);
        String code = seconds.isEmpty() ? "warming.never" : measured.isEmpty() ? "warming.planned" : "warming.measured";
        Reason said = Reason.of(code)
                .temperature("oil", oil)
                .temperature("low", fluid.bandLow())
                .temperature("most", Math.max(oil, fluid.warmest(heat)));
        return Optional.of(seconds.isEmpty() ? said : said.time("time", seconds.getAsDouble()));
    }

    /** The heat that really goes in, W, by the first and the last reading of this step: what warmed it and what the tank lost. */
    private static OptionalDouble measured(RunState run, Fluid fluid) {
        long since = run.events().stream()
                .filter(e -> e.body() instanceof StepDone)
                .mapToLong(RunEvent::seq)
                .max()
                .orElse(0);
        List<RunEvent> read = run.events().stream()
                .filter(e -> e.seq() > since && !run.isStruck(e.seq()))
                .filter(e -> e.body() instanceof Reading r && r.instrument().equals(Expect.OIL))
                .toList();
        if (read.size() < 2) {
            return OptionalDouble.empty();
        }
        RunEvent first = read.get(0);
        RunEvent last = read.get(read.size() - 1);
        double seconds = Duration.between(first.at(), last.at()).toMillis() / 1000.0 + passed(run, first, last);
        double warmed = kelvin(last) - kelvin(first);
        if (seconds <= 0 || Math.abs(warmed) < APART_K && seconds < APART_S) {
            return OptionalDouble.empty();
        }
        double rate = warmed / seconds;
        double lost = Fluid.COOLING * ((kelvin(first) + kelvin(last)) / 2 - Fluid.HALL);
        return OptionalDouble.of(fluid.heatCapacity() * (rate + lost));
    }

    private static double kelvin(RunEvent reading) {
        return ((Reading) reading.body()).value();
    }

    /** Time that a practice machine was made to let pass between two readings, s. */
    private static double passed(RunState run, RunEvent first, RunEvent last) {
        return run.events().stream()
                .filter(e -> e.seq() > first.seq() && e.seq() < last.seq())
                .filter(e -> e.body() instanceof Handled h && h.action().equals("pass"))
                .mapToDouble(e -> Double.parseDouble(((Handled) e.body()).to()))
                .sum();
    }
}
