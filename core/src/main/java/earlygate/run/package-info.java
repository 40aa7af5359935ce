/**
 * A run of a plan: an append-only log of {@link earlygate.run.RunEvent}s and its fold, {@link earlygate.run.RunState}.
 * {@link earlygate.run.RunRules} decides what may be appended, {@link earlygate.run.StepAssessment} whether a step passes,
 * {@link earlygate.run.Coach} what to turn next, {@link earlygate.run.RunRecord} what stays.
 */
package earlygate.run;
