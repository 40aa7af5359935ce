/**
 * How a setting is given the gauge: which valves stand where, which load is open how far, and which other screws must be
 * raised meanwhile, found by search with the solver. Start at {@link earlygate.reach.Reaching}. At a line the lowest
 * limiter rules; so whoever has the line instead is raised until the setting sought has it, or nothing is left to raise.
 */
package earlygate.reach;
