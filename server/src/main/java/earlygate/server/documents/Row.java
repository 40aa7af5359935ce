package earlygate.server.documents;

import java.util.LinkedHashMap;
import java.util.Map;

/** What a template is told of one thing: values by name, absent ones left out. */
public final class Row {
    private final Map<String, Object> values = new LinkedHashMap<>();

    public static Row of(String name, Object value) {
        return new Row().and(name, value);
    }

    public Row and(String name, Object value) {
        if (value != null) {
            values.put(name, value);
        }
        return this;
    }

    public Map<String, Object> map() {
        return values;
    }
}
