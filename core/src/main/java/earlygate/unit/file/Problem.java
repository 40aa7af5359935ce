package earlygate.unit.file;

import earlygate.explain.Reason;

/**
 * One thing wrong with an input.
 *
 * @param path where, as {@code components[1].driver}
 * @param reason what stands there and what would fit
 */
public record Problem(String path, Reason reason) {}
