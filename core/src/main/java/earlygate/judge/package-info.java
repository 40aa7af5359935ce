/**
 * Judgement on readings: has it settled ({@link earlygate.judge.Settled}), is it good ({@link earlygate.judge.Verdict}),
 * how far to turn ({@link earlygate.judge.TurnAdvice}, which stands on what {@link earlygate.judge.ScrewModel} learned),
 * when did the relief crack ({@link earlygate.judge.CrackDetector}). Sources: guard bands after ISO 14253-1; Bayesian
 * linear regression with one unknown; CUSUM after Page.
 */
package earlygate.judge;
