/**
 * Telling the five pressure valves of a schematic apart by five traits: where the pilot comes from, whether it is open at
 * rest, whether it has a reverse check, where it drains, where it stands. Start at {@link earlygate.identify.ValveKind}.
 */
package earlygate.identify;
