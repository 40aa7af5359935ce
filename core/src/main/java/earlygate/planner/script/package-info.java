/**
 * An order written as steps a hand can do and an eye can see. {@link earlygate.planner.script.Rehearsal} is the machine as
 * the plan has left it so far, solved and judged at every step; {@link earlygate.planner.script.Script} takes the steps;
 * one class writes each part of the work, {@link earlygate.planner.script.Setter} the settings.
 */
package earlygate.planner.script;
