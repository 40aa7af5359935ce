package earlygate.server.documents;

import java.util.Map;
import java.util.Set;

/** A drawing of the documents as a file of its own. */
public final class Svg {
    /** The documents' own name of their type, which no other reader knows. */
    private static final String BODY = "font-family=\"Body\"";

    private static final String TYPE = "font-family=\"'Atkinson Hyperlegible Next', sans-serif\"";

    private Svg() {}

    /** @param drawing as {@link CurveDrawing} makes it; {@code title} for whoever can't see it */
    public static String curve(Map<String, Object> drawing, String title) {
        return Templates.fill("drawings", Set.of("curve"), Map.of("c", drawing, "label", title))
                .strip()
                .replace(BODY, TYPE)
                .replaceFirst(" alt=", " role=\"img\" aria-label=");
    }
}
