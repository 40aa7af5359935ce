/**
 * Beginning a unit's sheet without a form of parts: a pattern is a kind of circuit that power units are built by. It asks
 * only what stands on plates and schematic and draws the unit file from that; whatever else the file needs is filled in
 * by rules of thumb, each marked as nobody's word yet. Start at {@link earlygate.pattern.Pattern}. Figures are in the
 * units of the unit file (bar, L/min, cm3, kW, rpm). Source: docs/handbook.md, 2 and 4; usual sizes from catalogues' ranges.
 */
package earlygate.pattern;
