/**
 * Filters before every call: which hosts are let in, how long a header, a body and a calculation may take, and who
 * has left.
 */
package earlygate.server.access;
