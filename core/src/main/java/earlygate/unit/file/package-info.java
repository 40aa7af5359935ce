/**
 * The open unit file and the situations of the calculation API, read strictly: an unknown or wrongly typed key anywhere
 * is refused, and all problems are told at once. Start at {@link earlygate.unit.file.UnitFile}: first the shape against
 * the shipped JSON Schema, then what a schema can't say ({@link earlygate.unit.file.References}), then records.
 */
package earlygate.unit.file;
