/**
 * Why, without words. Findings, plan steps, refusals and advice carry {@link earlygate.explain.Reason}s: a code and
 * typed values. The sentences, and the unit a pressure is shown in, are chosen outside the core.
 */
package earlygate.explain;
