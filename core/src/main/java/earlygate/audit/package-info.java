/**
 * What no plan may contain (docs/rules.md, nine points), looked for by replaying a finished plan on the solver from the
 * first start to hand-over. Begin at {@link earlygate.audit.Audit}. It shares no code with the making of plans: what one
 * got wrong the other finds.
 */
package earlygate.audit;
