/**
 * Stateless calls of docs/api.md: steady state, sweep, recording, targets, ladder, fit, judgement and calculators.
 * Nothing is kept.
 */
package earlygate.server.calc;
