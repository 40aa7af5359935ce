package earlygate.explain;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import earlygate.quantity.Keyed;
import java.util.List;

/** A typed value inside a {@link Reason}, so that whoever finds the words also knows the unit. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Value.Amount.class, name = "amount"),
    @JsonSubTypes.Type(value = Value.Name.class, name = "name"),
    @JsonSubTypes.Type(value = Value.Said.class, name = "said")
})
public sealed interface Value {
    /** What an {@link Amount} measures; its number is in the SI unit named. */
    enum Kind implements Keyed {
        /** Pa. */
        PRESSURE,
        /** m3/s. */
        FLOW,
        /** W. */
        POWER,
        /** A. */
        CURRENT,
        /** K, absolute. */
        TEMPERATURE,
        /** K, a difference. */
        WARMING,
        /** 1. */
        RATIO,
        /** s. */
        TIME,
        /** rev. */
        TURNS,
        /** rev/s. */
        SPEED,
        /** 1, shown as it is. */
        NUMBER
    }

    record Amount(double si, Kind kind) implements Value {
        public Amount {
            if (!Double.isFinite(si)) {
                throw new IllegalArgumentException("An amount must be a finite number, not " + si);
            }
        }
    }

    /** A name from the unit: component, setting, line or test point id, or text of the schematic. */
    record Name(String text) implements Value {}

    /** What is itself said by words: one phrase, or several in a row. */
    record Said(List<Reason> parts) implements Value {
        public Said {
            parts = List.copyOf(parts);
        }
    }
}
