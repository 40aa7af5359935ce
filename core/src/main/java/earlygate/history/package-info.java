/**
 * A machine over the years: what each commissioning found and left, and what that tells. Between two of them a setting
 * moved by what was found less what was left; a screw that creeps moves at one rate, r = sum(T d / u^2) / sum(T^2 / u^2)
 * over the spans T with their changes d, u the errors of both readings added. Start at {@link earlygate.history.Drift};
 * a pump's efficiency over the years is {@link earlygate.history.Wear}.
 */
package earlygate.history;
