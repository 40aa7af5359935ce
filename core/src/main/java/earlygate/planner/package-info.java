/**
 * The sequence of work, derived from the circuit and proved by simulation. Start at {@link earlygate.planner.Planner}:
 * {@link earlygate.planner.Course} finds the order, {@link earlygate.planner.Rehearsal} carries the proof (every step is
 * solved, and no rating or motor limit may be passed), {@link earlygate.planner.Script} writes the steps. The recipes
 * are those of docs/handbook.md, section 6.
 */
package earlygate.planner;
