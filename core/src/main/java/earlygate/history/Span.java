package earlygate.history;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;

/**
 * From the day a setting was left to the next day it was found: by how much it had moved, Pa.
 *
 * @param errorPa both gauges wrong by all that their class allows, each its own way
 */
public record Span(LocalDate from, LocalDate to, double changePa, double errorPa) {
    private static final double DAYS_A_YEAR = 365.25;

    /** Years between two days. */
    static double years(LocalDate from, LocalDate to) {
        return ChronoUnit.DAYS.between(from, to) / DAYS_A_YEAR;
    }

    /** A day so many years later. */
    static LocalDate after(LocalDate day, double years) {
        return day.plusDays(Math.round(years * DAYS_A_YEAR));
    }

    /**
     * Each finding held against the leaving right before it; a commissioning that left it unread ends the span, for
     * nobody knows what was done to the screw then.
     *
     * @param stood oldest first
     */
    static List<Span> of(List<SettingOnDay> stood) {
        List<Span> spans = new ArrayList<>();
        for (int i = 1; i < stood.size(); i++) {
            SettingOnDay before = stood.get(i - 1);
            SettingOnDay now = stood.get(i);
            if (before.leftPa().isPresent()
                    && now.foundPa().isPresent()
                    && before.on().isBefore(now.on())) {
                spans.add(new Span(
                        before.on(),
                        now.on(),
                        now.foundPa().getAsDouble() - before.leftPa().getAsDouble(),
                        before.errorPa() + now.errorPa()));
            }
        }
        return spans;
    }

    double years() {
        return years(from, to);
    }

    /** How much this span says about a rate. */
    double weight() {
        return years() * years() / (errorPa * errorPa);
    }

    boolean fits(double perYear) {
        return Math.abs(changePa - perYear * years()) <= errorPa;
    }
}
