/**
 * In which order the settings can be given the gauge, and what no state may pass. {@link earlygate.planner.search.Course}
 * searches the orders and weighs them, {@link earlygate.planner.search.Recipe} holds what the trade does in any case,
 * {@link earlygate.planner.search.Safety} judges states. The hands, and how well a setting shows, are in {@code gauge}.
 */
package earlygate.planner.search;
