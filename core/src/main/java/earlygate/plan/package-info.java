/**
 * A commissioning plan as data: phases with hold points, steps with their goal, what must be read and what must not
 * happen. Start at {@link earlygate.plan.Plan}. What makes plans is {@code earlygate.planner}; what walks, shows and
 * keeps them needs only this. Stored with every run, so a plan carries its edition and older ones are still read.
 */
package earlygate.plan;
