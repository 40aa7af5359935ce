/**
 * The pressures at which the balance of all lines vanishes: F(p) = 0 steady, F(p) - C (p - p0)/dt = 0 in time.
 * Start at {@link earlygate.solve.Solver}, for motion at {@link earlygate.solve.Transient}. What can't be solved is an
 * {@link earlygate.solve.Outcome} that names lines, never a number. Method: damped Newton with an analytic Jacobian and
 * dense LU; implicit Euler; pseudo-transient continuation (Kelley and Keyes, 1998).
 */
package earlygate.solve;
