package earlygate.ladder;

import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.judge.Verdict;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.Setting;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** L11: the gauge a target is read on: its range, where on the dial the target sits, its class against the tolerance. */
final class GaugeFits implements Rule {
    /** Common full scales of pressure gauges, bar (EN 837-1). */
    private static final double[] RANGES = {6, 10, 16, 25, 40, 60, 100, 160, 250, 400, 600, 1000};

    private static final double LOW = 0.25;
    private static final double HIGH = 0.75;

    @Override
    public List<Finding> check(LadderInput stage) {
        List<Finding> findings = new ArrayList<>();
        for (TestPoint gauge : stage.unit().testPoints()) {
            double worst = fullFlow(stage, gauge.line());
            // A margin is the difference of two gauges; where each of them stands, the load decides.
            List<Target> read = stage.unit().targets().stream()
                    .filter(t -> stage.unit().setting(t.setting()).line().equals(gauge.line()))
                    .filter(t -> stage.unit().setting(t.setting()).kind() != Setting.Kind.LOAD_SENSE)
                    .toList();
            if (worst > gauge.rangePa()) {
                findings.add(passed(gauge, worst, read));
            } else {
                read.forEach(t -> dial(gauge, t, worst).ifPresent(findings::add));
            }
            read.forEach(t -> accuracy(gauge, t).ifPresent(findings::add));
        }
        return findings;
    }

    /** The most that a relief lets the line come to, Pa; none asks nothing of the dial. */
    private double fullFlow(LadderInput stage, String line) {
        return stage.reliefs().stream()
                .filter(r -> r.inlet().equals(line))
                .flatMap(r -> stage.unit().target(r.id()).map(t -> stage.fullFlowPressure(r, t)).stream())
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(0);
    }

    private Finding passed(TestPoint gauge, double worst, List<Target> read) {
        double highest = read.stream().mapToDouble(Target::pressurePa).max().orElse(worst);
        Reason message = Reason.of("ladder.L11.range")
                .name("gauge", gauge.id())
                .pressure("range", gauge.rangePa())
                .pressure("fullFlow", worst);
        return finding(Severity.STOP, gauge, message, range(gauge, highest, worst));
    }

    private Optional<Finding> dial(TestPoint gauge, Target target, double worst) {
        double share = target.pressurePa() / gauge.rangePa();
        if (share >= LOW && share <= HIGH) {
            return Optional.empty();
        }
        Reason message = Reason.of(share > HIGH ? "ladder.L11.high-on-dial" : "ladder.L11.low-on-dial")
                .name("gauge", gauge.id())
                .name("setting", target.setting())
                .pressure("target", target.pressurePa())
                .pressure("range", gauge.rangePa())
                .ratio("share", share)
                .number("low", 100 * LOW)
                .number("high", 100 * HIGH);
        return Optional.of(finding(Severity.WARN, gauge, message, range(gauge, target.pressurePa(), worst)));
    }

    private Optional<Finding> accuracy(TestPoint gauge, Target target) {
        if (gauge.errorPa() < target.tolerancePa()) {
            return Optional.empty();
        }
        Reason message = Reason.of("ladder.L11.class")
                .name("gauge", gauge.id())
                .name("setting", target.setting())
                .number("class", gauge.accuracyClass())
                .pressure("error", gauge.errorPa())
                .pressure("tolerance", target.tolerancePa());
        Optional<Suggestion> better = Verdict.coarsestClass(gauge.rangePa(), target.tolerancePa() / 2)
                .map(c -> new Suggestion.AccuracyClass(gauge.id(), c));
        return Optional.of(finding(Severity.WARN, gauge, message, better));
    }

    private static Finding finding(
            Severity severity, TestPoint gauge, Reason message, Optional<Suggestion> suggestion) {
        return new Finding(Rung.L11, severity, gauge.id(), message, suggestion);
    }

    /** The smallest common range with the target in its working part and the relief's full flow on the dial. */
    private static Optional<Suggestion> range(TestPoint gauge, double targetPa, double worstPa) {
        for (double bar : RANGES) {
            if (bar * BAR * HIGH >= targetPa && bar * BAR > worstPa) {
                return Optional.of(new Suggestion.FullScale(gauge.id(), bar * BAR));
            }
        }
        return Optional.empty();
    }
}
