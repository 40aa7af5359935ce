/**
 * The day sheet and its calendar: which jobs fit into a day, with which people and gauges.
 */
package earlygate.server.days;
