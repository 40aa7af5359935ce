/**
 * The power unit as drawn: immutable records in SI, the open unit file that they are read from, and the situation it is
 * put in. Start at {@link earlygate.circuit.PowerUnit}; {@link earlygate.circuit.UnitFile} reads one. Symbols and terms
 * follow ISO 1219-1 and ISO 5598.
 */
package earlygate.circuit;
