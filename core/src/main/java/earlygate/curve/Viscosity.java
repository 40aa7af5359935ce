package earlygate.curve;

import static earlygate.quantity.Si.MM2_S;
import static earlygate.quantity.Si.ZERO_C;

import java.util.OptionalDouble;

/**
 * Kinematic viscosity over temperature: ASTM D341 (Walther) through the points at 40 C and 100 C, the latter from the
 * viscosity index by inverting ASTM D2270.
 */
public record Viscosity(double a, double b) {
    /** D2270 Appendix X1: from this viscosity at 100 C (mm2/s) on, L = a y2 + b y + c and H = d y2 + e y + f. */
    private static final double[][] D2270 = {
        {2.0, 1.14673, 1.7576, -0.109, 0.84155, 1.5521, -0.077},
        {3.8, 3.38095, -15.4952, 33.196, 0.78571, 1.7929, -0.183},
        {4.4, 2.5000, -7.2143, 13.812, 0.82143, 1.5679, 0.119},
        {5.0, 0.10100, 16.6350, -45.469, 0.04985, 9.1613, -18.557},
        {6.4, 3.35714, -23.5643, 78.466, 0.22619, 7.7369, -16.656},
        {7.0, 0.01191, 21.4750, -72.870, 0.79762, -0.7321, 14.610},
        {7.7, 0.41858, 16.1558, -56.040, 0.05794, 10.5156, -28.240},
        {9.0, 0.88779, 7.5527, -16.600, 0.26665, 6.7015, -10.810},
        {12, 0.76720, 10.7972, -38.180, 0.20073, 8.4658, -22.490},
        {15, 0.97305, 5.3135, -2.200, 0.28889, 5.9741, -4.930},
        {18, 0.97256, 5.2500, -0.980, 0.24504, 7.4160, -16.730},
        {22, 0.91413, 7.4759, -21.820, 0.20323, 9.1267, -34.230},
        {28, 0.87031, 9.7157, -50.770, 0.18411, 10.1015, -46.750},
        {40, 0.84703, 12.6752, -133.310, 0.17029, 11.4866, -80.620},
        {55, 0.85921, 11.1009, -83.19, 0.17130, 11.3680, -76.940},
        {70, 0.83531, 14.6731, -216.246, 0.16841, 11.8493, -96.947},
    };

    /** @param viscosity40 m2/s at 40 C */
    public static Viscosity of(double viscosity40, double viscosityIndex) {
        double at40 = viscosity40 / MM2_S;
        double at100 = at100(at40, viscosityIndex);
        double w40 = walther(at40);
        double w100 = walther(at100);
        double log40 = Math.log10(40 + ZERO_C);
        double log100 = Math.log10(100 + ZERO_C);
        double b = (w40 - w100) / (log100 - log40);
        return new Viscosity(w40 + b * log40, b);
    }

    /** Kinematic viscosity, m2/s, at a temperature in K. */
    public double at(double temperature) {
        return (Math.pow(10, Math.pow(10, a - b * Math.log10(temperature))) - 0.7) * MM2_S;
    }

    /** Viscosity at 100 C, mm2/s, that gives this index: the index grows with it, so bisection finds it. */
    static double at100(double at40, double index) {
        return Bisection.zero(1, at40, 100, at100 -> OptionalDouble.of(index(at40, at100) - index))
                .orElseThrow()
                .middle();
    }

    /** ASTM D2270 viscosity index from both viscosities, mm2/s. */
    static double index(double at40, double at100) {
        double[] row = D2270[0];
        for (double[] candidate : D2270) {
            if (at100 >= candidate[0]) {
                row = candidate;
            }
        }
        double low = (row[1] * at100 + row[2]) * at100 + row[3];
        double high = (row[4] * at100 + row[5]) * at100 + row[6];
        if (at40 >= high) {
            return 100 * (low - at40) / (low - high);
        }
        double n = (Math.log10(high) - Math.log10(at40)) / Math.log10(at100);
        return 100 + (Math.pow(10, n) - 1) / 0.00715;
    }

    private static double walther(double viscosityMm2s) {
        return Math.log10(Math.log10(viscosityMm2s + 0.7));
    }
}
