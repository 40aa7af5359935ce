/**
 * Tests after locking and how they are judged: docs/handbook.md, section 8. A limit comes back to the same place if at
 * least three readings lie within one percent, (max - min)/mean: {@link earlygate.verify.ReturnTest}. Curves of a pump, a
 * relief, a margin and a power limiter are fitted by least squares with 95 % bounds and held against the part as the
 * sheet has it: start at {@link earlygate.verify.CurveFit}.
 */
package earlygate.verify;
