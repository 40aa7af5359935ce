/**
 * Units at the edges. The core computes in SI (Pa, m3/s, m3/rev, rev/s, W, N·m, K); the unit file and the screens use
 * bar, L/min, cm3, rpm, kW and C. Start at {@link earlygate.quantity.Si}. Conversion factors: SI Brochure, 9th edition;
 * psi from the international pound and inch.
 */
package earlygate.quantity;
