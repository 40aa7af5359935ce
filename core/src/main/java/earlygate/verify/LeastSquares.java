package earlygate.verify;

import java.util.Arrays;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;

/**
 * Ordinary least squares with the bounds that hold the truth 95 times in 100: Student's t with the degrees of freedom
 * that the fit leaves, since the noise of a reading is not known beforehand.
 */
final class LeastSquares {
    private static final double SURE = 0.975;

    private LeastSquares() {}

    /** y at x, and how y changes with x. */
    record Line(Estimate intercept, Estimate slope, Estimate at) {}

    static Estimate mean(double[] y) {
        double mean = Arrays.stream(y).average().orElseThrow();
        double squares = Arrays.stream(y).map(v -> (v - mean) * (v - mean)).sum();
        return new Estimate(mean, t(y.length - 1) * Math.sqrt(squares / (y.length - 1) / y.length));
    }

    /** The slope of y = slope x. */
    static Estimate throughOrigin(double[] x, double[] y) {
        OLSMultipleLinearRegression fit = fit(x, y, true);
        return new Estimate(
                fit.estimateRegressionParameters()[0],
                t(x.length - 1) * fit.estimateRegressionParametersStandardErrors()[0]);
    }

    /** @param at where the line itself is asked for */
    static Line line(double[] x, double[] y, double at) {
        OLSMultipleLinearRegression fit = fit(x, y, false);
        double[] found = fit.estimateRegressionParameters();
        double[] error = fit.estimateRegressionParametersStandardErrors();
        double[][] unscaled = fit.estimateRegressionParametersVariance();
        double t = t(x.length - 2);
        double spread = unscaled[0][0] + 2 * at * unscaled[0][1] + at * at * unscaled[1][1];
        return new Line(
                new Estimate(found[0], t * error[0]),
                new Estimate(found[1], t * error[1]),
                new Estimate(found[0] + at * found[1], t * Math.sqrt(fit.estimateErrorVariance() * spread)));
    }

    private static OLSMultipleLinearRegression fit(double[] x, double[] y, boolean throughOrigin) {
        OLSMultipleLinearRegression fit = new OLSMultipleLinearRegression();
        fit.setNoIntercept(throughOrigin);
        fit.newSampleData(y, Arrays.stream(x).mapToObj(v -> new double[] {v}).toArray(double[][]::new));
        return fit;
    }

    private static double t(int freedom) {
        return new TDistribution(freedom).inverseCumulativeProbability(SURE);
    }
}
