/**
 * The web application. {@link earlygate.server.EarlyGate} starts it; each package below is one part of the job,
 * and imports only what lies below it in docs/architecture.md.
 */
package earlygate.server;
