/**
 * What keeps a machine as it was commissioned: a small pack of tasks with their intervals, the counter, oil samples and
 * filter indicators, and what of it is due. Two schools change oil and filters: by hours, or by sample and restriction
 * indicator only, for each change lets dirt in. Start at {@link earlygate.upkeep.Upkeep}. Sources: ISO 4406 for
 * cleanliness; the limits of {@link earlygate.upkeep.SampleCheck} are rules of thumb, and the laboratory's word counts.
 */
package earlygate.upkeep;
