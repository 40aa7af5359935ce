/**
 * Relations between settings, L1 to L13 of docs/handbook.md, one class per rule: a pure function from the unit, with its
 * settings at target, to findings with figures from the model and a value that would satisfy it. Nothing else lives here.
 * Start at {@link earlygate.ladder.Ladder}.
 */
package earlygate.ladder;
