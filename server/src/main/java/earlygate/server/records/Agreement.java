package earlygate.server.records;

import earlygate.explain.Reason;
import earlygate.server.words.Sentence;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.json.JsonMapper;

/**
 * An exported record against what its log comes to now, place by place: figures, codes and what people wrote. Sentences
 * are not compared, so a better word makes no old record look changed.
 *
 * @param edition of the record; of one before {@link RecordView#COMPUTED_SINCE} only what was read, left and signed is
 *     compared
 */
record Agreement(int edition) {
    /** Fields that earlier editions had not, and the edition that added them. */
    private static final Map<String, Integer> ADDED = Map.of("noted", 5);

    /** What is worked out of the log, and may be worked out better since. */
    private static final Set<String> COMPUTED = Set.of(
            "verified",
            "tests",
            "curves",
            "staffs",
            "log",
            "notes",
            "files",
            "asFoundHow",
            "standsBar",
            "standsLowBar",
            "standsHighBar");

    /** In place of a sentence. */
    private static final String ANY_WORDS = "\u0000";

    /** Writes a record with its sentences left open. */
    static JsonMapper withoutSentences(JsonMapper json) {
        ValueSerializer<Object> open = new ValueSerializer<>() {
            @Override
            public void serialize(Object sentence, JsonGenerator out, SerializationContext context) {
                out.writeString(ANY_WORDS);
            }
        };
        return json.rebuild()
                .annotationIntrospector(new JacksonAnnotationIntrospector() {
                    @Override
                    public Object findSerializer(MapperConfig<?> config, Annotated field) {
                        return field.hasAnnotation(Sentence.class) ? open : super.findSerializer(config, field);
                    }

                    @Override
                    public Object findNullSerializer(MapperConfig<?> config, Annotated field) {
                        return field.hasAnnotation(Sentence.class) ? open : super.findNullSerializer(config, field);
                    }
                })
                .build();
    }

    record Difference(String place, Reason why) {}

    /** @return the first place at which the file is not what its log comes to */
    Optional<Difference> compare(String place, JsonNode is, JsonNode must) {
        if (must.isString() && must.asString().equals(ANY_WORDS)) {
            return Optional.empty();
        }
        if (must.isObject()) {
            return object(place, is, must);
        }
        if (must.isArray() && is.isArray()) {
            for (int i = 0; i < Math.max(is.size(), must.size()); i++) {
                Optional<Difference> differs = compare(place + "[" + i + "]", is.path(i), must.path(i));
                if (differs.isPresent()) {
                    return differs;
                }
            }
            return Optional.empty();
        }
        boolean same = is.isNumber() && must.isNumber()
                ? is.doubleValue() == must.doubleValue()
                : is.equals(must) || place.endsWith(".startedAt") && sameTime(is, must);
        return same ? Optional.empty() : different(place, is, must);
    }

    private Optional<Difference> object(String place, JsonNode is, JsonNode must) {
        for (Map.Entry<String, JsonNode> e : must.properties()) {
            String key = e.getKey();
            if (key.equals("edition")
                    || edition < RecordView.COMPUTED_SINCE && COMPUTED.contains(key)
                    || edition < ADDED.getOrDefault(key, 0)) {
                continue;
            }
            Optional<Difference> differs = compare(place + "." + key, is.path(key), e.getValue());
            if (differs.isPresent()) {
                return differs;
            }
        }
        return edition < RecordView.EDITION || is.size() == must.size() ? Optional.empty() : different(place, is, must);
    }

    private static boolean sameTime(JsonNode is, JsonNode must) {
        return OffsetDateTime.parse(is.asString("")).isEqual(OffsetDateTime.parse(must.asString("")));
    }

    private static Optional<Difference> different(String place, JsonNode is, JsonNode must) {
        return Optional.of(new Difference(
                place, Reason.of("prove.differs").name("is", brief(is)).name("must", brief(must))));
    }

    private static String brief(JsonNode node) {
        String text = node.isMissingNode() ? "–" : node.toString();
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }
}
