/**
 * Judgement on readings: has it settled ({@link earlygate.judge.Settled}), is it good ({@link earlygate.judge.Verdict}), when
 * did the relief crack ({@link earlygate.judge.CrackSearch}) and where does it stand now ({@link
 * earlygate.judge.ReliefPlace}), how far to turn next ({@link earlygate.judge.NextTurn}), who
 * has the gauge ({@link earlygate.judge.Holder}). {@link earlygate.judge.Watch} keeps all of it for a machine's instruments,
 * whoever reads them: begin there. Sources: guard bands after ISO 14253-1; Bayesian model averaging; generalised likelihood
 * ratio.
 */
package earlygate.judge;
