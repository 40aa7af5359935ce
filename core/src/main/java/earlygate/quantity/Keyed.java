package earlygate.quantity;

import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** An enum whose constants the open formats write by a key: the name in lower case, words tied by hyphens. */
public interface Keyed {
    String name();

    default String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** @throws IllegalArgumentException naming the keys there are */
    static <E extends Enum<E> & Keyed> E of(Class<E> type, String key) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> e.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Unknown '" + key + "': use "
                        + Arrays.stream(type.getEnumConstants()).map(Keyed::key).collect(Collectors.joining(", "))));
    }
}
