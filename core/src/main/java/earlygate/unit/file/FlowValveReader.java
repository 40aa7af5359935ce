package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.optionalNumber;
import static earlygate.unit.file.Fields.text;
import static earlygate.unit.file.Fields.textOr;

import earlygate.quantity.Keyed;
import earlygate.unit.CheckValve;
import earlygate.unit.Filter;
import earlygate.unit.FlowControl;
import earlygate.unit.Leak;
import earlygate.unit.Throttle;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What oil flows through without a choice: throttles, checks, flow controls, filters, leaks. */
final class FlowValveReader {
    private FlowValveReader() {}

    static Throttle throttle(JsonNode n) {
        return throttle(n, "load", 0);
    }

    static Throttle orifice(JsonNode n) {
        return throttle(n, "bleed", 1);
    }

    private static Throttle throttle(JsonNode n, String purpose, double atRest) {
        return new Throttle(
                text(n, "id"),
                text(n, "a"),
                text(n, "b"),
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                Keyed.of(Throttle.Purpose.class, textOr(n, "purpose", purpose)),
                atRest);
    }

    static CheckValve check(JsonNode n) {
        return new CheckValve(
                text(n, "id"),
                text(n, "inlet"),
                text(n, "outlet"),
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                number(n, "crackingBar", 0.5) * BAR);
    }

    static FlowControl flowControl(JsonNode n) {
        return new FlowControl(
                text(n, "id"),
                text(n, "inlet"),
                text(n, "outlet"),
                number(n, "setLpm", 0) * LPM,
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                n.has("rangeLpm") ? Optional.of(Fields.screw(n, "rangeLpm", "lpmPerTurn", LPM)) : Optional.empty());
    }

    static Filter filter(JsonNode n) {
        return new Filter(
                text(n, "id"),
                text(n, "inlet"),
                text(n, "outlet"),
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                optionalNumber(n, "bypassBar", BAR));
    }

    static Leak leak(JsonNode n) {
        return new Leak(
                text(n, "id"), text(n, "a"), text(n, "b"), number(n, "flowLpm", 0) * LPM, number(n, "atBar", 0) * BAR);
    }
}
