package earlygate.verify;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.judge.Verdict.Grade;
import earlygate.quantity.Keyed;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a curve tells of the part it was taken of, or why it can't. */
public sealed interface Fit {
    /** What can be fitted. */
    enum Kind implements Keyed {
        /** Flow over pressure: leakage and efficiency, the cut-off, a power limit. Its subject is the pump. */
        PUMP,
        /** Pressure over flow up and back: cracking, override, reseat. Its subject is the relief valve. */
        RELIEF,
        /** Pump less signal at several flows. Its subject is the load-sense pump. */
        MARGIN,
        /** The part of a pump's curve along which its power limiter has the stroke. Its subject is the pump. */
        LIMITER
    }

    /** So many points that count a curve of this kind takes at the least. */
    static int least(Kind kind) {
        return switch (kind) {
            case PUMP -> PumpFit.LEAST;
            case RELIEF -> ReliefFit.LEAST;
            case MARGIN, LIMITER -> MarginFit.LEAST;
        };
    }

    /** Which part of the curve a point lies on, and so which fit it goes into. */
    enum Region implements Keyed {
        /** At full stroke: flow falls by leakage alone. */
        LEAKAGE,
        LIMITED,
        /** The compensator takes the stroke down. */
        CUT_OFF,
        /** The relief passes, or the margin stands with flow. */
        OPEN,
        /** The relief is shut. */
        SHUT,
        /** No flow, so no margin. */
        STALLED,
        /** Too near a knee to be called one or the other. */
        BETWEEN,
        STRUCK
    }

    /**
     * @param key volumetric-efficiency, leakage (m3/s at rated pressure), cut-off, limit, cracking, override, full-flow,
     *     reseat or margin
     * @param expected of a new part that stands as the sheet says; empty where the sheet doesn't say
     */
    record Parameter(String key, Value.Kind kind, Estimate found, OptionalDouble expected) {}

    /**
     * @param expected what the model gives: of a relief and a margin Pa, of a pump m3/s; {@code residual} measured less
     *     that
     * @param efficiency of a pump at full stroke, flow over n D
     */
    record Placed(CurvePoint point, Region region, double expected, double residual, OptionalDouble efficiency) {}

    /**
     * @param doubt by which the figure that decides may be wrong, its bounds and the instruments' errors together
     * @param said the verdict in words and figures, the decisive one first
     */
    record Found(
            Kind kind,
            String subject,
            List<Parameter> parameters,
            List<Placed> points,
            Grade grade,
            double doubt,
            List<Reason> said)
            implements Fit {
        public Optional<Estimate> parameter(String key) {
            return parameters.stream()
                    .filter(p -> p.key().equals(key))
                    .map(Parameter::found)
                    .findFirst();
        }
    }

    /** @param at what the reason is about: points, subject, or one point such as {@code points[2]} */
    record Not(String at, Reason why) implements Fit {}

    /** @param flowError m3/s by which the meter may be wrong; {@code pressureErrorPa} the same of the gauge, or of both */
    record Instruments(double pressureErrorPa, double flowError) {
        public static final Instruments WITHOUT_ERROR = new Instruments(0, 0);
    }
}
