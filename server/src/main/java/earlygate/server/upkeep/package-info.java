/**
 * What is due on a unit after its commissioning: oil, filters, samples and checks.
 */
package earlygate.server.upkeep;
