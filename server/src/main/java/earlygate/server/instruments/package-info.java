/**
 * The register of gauges and meters, their calibration, and which of them is fitted to which test point.
 */
package earlygate.server.instruments;
