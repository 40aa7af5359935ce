/**
 * Relations between settings, one class per rule of the ladder. Start at {@link earlygate.ladder.Ladder}; a rule is a
 * pure function from the unit, with its settings at target, to findings with figures from the model and a value that
 * would satisfy it.
 */
package earlygate.ladder;
