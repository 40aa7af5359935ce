/**
 * The data folder: one writer at a time, hashes of rows and logs, upgrade, backup, restore and check.
 */
package earlygate.server.store;
