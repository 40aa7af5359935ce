/**
 * What a unit showed at earlier visits: records of runs and older records, and how its settings and pumps drift.
 */
package earlygate.server.history;
