/**
 * What is asked of a unit: the schematic's targets, those derived from its work where the schematic gives none
 * (p = F/A or 2 pi T/V, plus the gap of a school), and the target sheet: for each setting what every instrument must
 * read, in which situation. Start at {@link earlygate.target.TargetSheet}. The gaps are rules of the trade and stand in
 * {@link earlygate.target.GapSchool}; docs/handbook.md gives them in words.
 */
package earlygate.target;
