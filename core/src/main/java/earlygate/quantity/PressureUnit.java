package earlygate.quantity;

import java.util.Locale;

/** A unit in which pressures are shown; the core itself only knows Pa. */
public enum PressureUnit {
    BAR("bar", Si.BAR, 1),
    PSI("psi", 6894.757293168, 0),
    MPA("MPa", 1e6, 2);

    private final String label;
    private final double pa;
    private final int decimals;

    PressureUnit(String label, double pa, int decimals) {
        this.label = label;
        this.pa = pa;
        this.decimals = decimals;
    }

    /** @throws IllegalArgumentException when the label is none of bar, psi, MPa */
    public static PressureUnit of(String label) {
        for (PressureUnit unit : values()) {
            if (unit.label.equalsIgnoreCase(label)) {
                return unit;
            }
        }
        throw new IllegalArgumentException("Unknown pressure unit '" + label + "': use bar, psi or MPa");
    }

    public String label() {
        return label;
    }

    public double fromPa(double pressurePa) {
        return pressurePa / pa;
    }

    public double toPa(double value) {
        return value * pa;
    }

    /** The number alone, with as many decimals as this unit deserves; whole bars lose their ".0". */
    public String number(double pressurePa) {
        String text = String.format(Locale.ROOT, "%." + decimals + "f", fromPa(pressurePa));
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }

    public String show(double pressurePa) {
        return number(pressurePa) + " " + label;
    }
}
