/**
 * The circuit as equations. {@link earlygate.solve.Network} compiles a unit into lines (unknown pressures) and elements
 * (flows between lines); {@link earlygate.solve.Balance} is the one residual, sum of flows into each line, plus V/B
 * dp/dt where time runs; {@link earlygate.solve.Newton} makes it vanish. Start at {@link earlygate.solve.Solver}.
 * Method: damped Newton with an analytic Jacobian and dense LU; implicit Euler; pseudo-transient continuation (Kelley
 * and Keyes, 1998).
 */
package earlygate.solve;
