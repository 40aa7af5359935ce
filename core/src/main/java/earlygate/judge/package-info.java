/**
 * Judgement on readings: has it settled ({@link earlygate.judge.Settled}), is it good ({@link earlygate.judge.Verdict}), when
 * did the relief crack ({@link earlygate.judge.CrackSearch}) and where does it stand now ({@link
 * earlygate.judge.ReliefPlace}), how far to turn next ({@link earlygate.judge.NextTurn}). A run in progress still advises by
 * {@link earlygate.judge.TurnAdvice} and {@link earlygate.judge.ScrewModel}, and its rig by {@link
 * earlygate.judge.CrackDetector}. Sources: guard bands after ISO 14253-1; Bayesian model averaging; generalised likelihood
 * ratio; CUSUM after Page.
 */
package earlygate.judge;
