package earlygate.reckon;

/**
 * A figure that goes in or comes out.
 *
 * @param key its name in formulas and in the API
 * @param unit as the unit file has it: bar, L/min, cm3, mm, L, kW, A, rpm, C, N, N·m, mm2/s, m/s, s, K/min, psi, ...
 * @param value what it is to begin with, or the result
 * @param min least value that makes sense
 * @param max largest
 */
public record Figure(String key, String unit, double value, double min, double max) {
    public static Figure in(String key, String unit, double value, double min, double max) {
        return new Figure(key, unit, value, min, max);
    }

    public static Figure out(String key, String unit, double value) {
        return new Figure(key, unit, value, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    }
}
