/**
 * The sequence of work, derived from the circuit and proved by simulation. Start at {@link earlygate.plan.Planner};
 * {@link earlygate.plan.Machine} carries the proof: every step is solved, and no rating or motor limit may be passed.
 */
package earlygate.plan;
