/**
 * The plan of a unit as page, table and field sheet.
 */
package earlygate.server.plans;
