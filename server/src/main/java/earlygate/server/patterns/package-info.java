/**
 * Units drawn from answers about their plates, and changes of a drawing by pointing at it.
 */
package earlygate.server.patterns;
