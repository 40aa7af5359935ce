/**
 * Steps that bring the data of an earlier edition up to date, run by Flyway on a copy.
 */
package earlygate.server.migration;
