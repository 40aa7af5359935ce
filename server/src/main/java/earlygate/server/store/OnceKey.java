package earlygate.server.store;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;

/** The sender's own name for what it sends: sent again after a lost answer, it meets itself. */
public final class OnceKey {
    public static final String HEADER = "Idempotency-Key";
    private static final int LIMIT = 64;

    private OnceKey() {}

    /** @return the key given; null where there is none */
    public static String requireValid(String key) {
        return key == null ? null : require(key, HEADER);
    }

    /** @throws ApiProblem where there is none or it is too long */
    public static String require(String key, String path) {
        if (key == null || key.isBlank() || key.length() > LIMIT) {
            throw ApiProblem.badInput(path, Reason.of("runs.key-missing").number("limit", LIMIT));
        }
        return key;
    }
}
