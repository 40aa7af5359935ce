/**
 * Who has the gauge. At a line the lowest limiter rules: a setting shows only while all others on its way stand above
 * it, so valves, loads and other screws are arranged, by search with the solver, until it has the line or nothing is
 * left to move. Start at {@link earlygate.gauge.GaugeSearch}. A setting has a line where dp/d(setting), from the
 * solution's own Jacobian, is at least one half.
 */
package earlygate.gauge;
