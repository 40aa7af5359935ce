/**
 * Single calculations that a technician does on a rag: each takes a few figures in engineering units and gives its
 * results with the formula. Start at {@link earlygate.reckon.Reckoning}. The equations are those of {@code curve}; units
 * are converted here, at the edge.
 */
package earlygate.reckon;
