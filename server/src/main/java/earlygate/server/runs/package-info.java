/**
 * Runs in work: start one, write an event into its log, act on its practice machine, and show where it stands.
 */
package earlygate.server.runs;
