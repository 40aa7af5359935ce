/**
 * What happens at a start: demo data, the contract of the API, the page, and the line that says that it serves.
 */
package earlygate.server.start;
