/**
 * Drawing a unit file: parts as they usually are, and what a hand that points at the drawing changes ({@link
 * earlygate.drawing.Redraw}). Lines are made, joined, split and named here, so that nobody fills in where a part's ends
 * go. Works on files that are not complete yet. Figures are in the units of the unit file (bar, L/min, cm3, kW, rpm);
 * usual sizes from catalogues' ranges.
 */
package earlygate.drawing;
