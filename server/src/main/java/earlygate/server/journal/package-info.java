/**
 * The stored logs of runs. {@link earlygate.server.journal.RunStore} reads and writes events and verifies their
 * chain, {@link earlygate.server.journal.OpenRuns} keeps the runs in work at hand.
 */
package earlygate.server.journal;
