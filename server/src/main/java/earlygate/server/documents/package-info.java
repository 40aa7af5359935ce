/**
 * Drawings and pages on paper: SVG and PDF of plan, record, label and curves. Knows shapes, letters and pages, no
 * rule of the trade.
 */
package earlygate.server.documents;
