/**
 * The sequence of work, derived from the circuit and proved by simulation. Start at {@link earlygate.planner.Planner};
 * the recipes are those of docs/handbook.md, section 6.
 */
package earlygate.planner;
