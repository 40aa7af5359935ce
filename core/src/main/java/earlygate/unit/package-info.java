/**
 * The power unit as drawn: immutable records in SI, its adjusters, the situation it is put in, and which lines oil can
 * take. Start at {@link earlygate.unit.PowerUnit}; one of its parts is a {@link earlygate.unit.Component}. Symbols and
 * terms follow ISO 1219-1 and ISO 5598. How a unit is written in a file is not known here.
 */
package earlygate.unit;
