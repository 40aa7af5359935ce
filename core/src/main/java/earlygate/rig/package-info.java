/**
 * A machine to practise on: the unit with a hidden true state, moved in time by the solver's transient. Start at
 * {@link earlygate.rig.Rig}. Warming: first law on the tank, all shaft power as heat, a small loss to the hall.
 */
package earlygate.rig;
