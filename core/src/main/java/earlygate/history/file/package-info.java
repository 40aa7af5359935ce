/**
 * The open format of a commissioning that was not done with the product: its shape is the shipped JSON Schema, what that
 * can't say is held against the unit. Start at {@link earlygate.history.file.OlderRecordFile}.
 */
package earlygate.history.file;
