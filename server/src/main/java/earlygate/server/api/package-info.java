/**
 * Forms in which answers of the core go over the wire, shared by several parts, and the reading of what comes in.
 * Figures in the unit that the field name says.
 */
package earlygate.server.api;
