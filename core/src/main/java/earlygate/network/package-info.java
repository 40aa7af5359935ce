/**
 * A unit compiled to equations. {@link earlygate.network.Network} makes it into lines (unknown pressures) and elements,
 * one class per kind of component, each of which stamps its flows and their slopes into the one residual,
 * {@link earlygate.network.Balance}: at every line the sum of flows, m3/s, less V/B dp/dt where time runs.
 * {@link earlygate.network.Conditions} are what a hand can change. Start at {@code Network}. The characteristics
 * themselves are those of {@link earlygate.curve}; effective bulk modulus and lumped volumes as in any text on fluid
 * power control (such as Merritt, 1967).
 */
package earlygate.network;
