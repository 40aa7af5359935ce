/**
 * The record of a run for a supervisor, its exports, and the proof that an exported record is as it was written.
 */
package earlygate.server.records;
