/**
 * The list of units with the state of each: findings, next check, open runs, and what was changed in the data
 * file.
 */
package earlygate.server.home;
