/**
 * The target sheet: for each setting its target and what every fitted instrument must read, in which situation; and the
 * figures the unit must show at its working points. Start at {@link earlygate.sheet.TargetSheet}.
 */
package earlygate.sheet;
