package earlygate.unit.file;

import earlygate.unit.Component;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/**
 * The kinds of components that a unit file can hold, one entry each: what kind of thing it is to others in the file, and
 * how it is read.
 *
 * @param drives a pump can name it as its driver
 * @param set it has a setting under its own id
 * @param reader from an entry that fits the schema, and the unit around it
 */
record ComponentKind(boolean drives, boolean set, BiFunction<JsonNode, JsonNode, Component> reader) {
    private static final Map<String, ComponentKind> KINDS = new LinkedHashMap<>();

    static {
        driver("electric-motor", DriverReader::electric);
        driver("engine", DriverReader::engine);
        driver("dc-motor", DriverReader::dc);
        KINDS.put("pump", new ComponentKind(false, false, PumpReader::pump));
        setting("relief-valve", PressureValveReader::relief);
        setting("unloading-valve", PressureValveReader::unloading);
        setting("reducing-valve", PressureValveReader::reducing);
        setting("sequence-valve", PressureValveReader::sequence);
        setting("counterbalance-valve", PressureValveReader::counterbalance);
        plain("check-valve", FlowValveReader::check);
        plain("orifice", FlowValveReader::orifice);
        plain("throttle", FlowValveReader::throttle);
        setting("flow-control", FlowValveReader::flowControl);
        plain("filter", FlowValveReader::filter);
        plain("leak", FlowValveReader::leak);
        plain("directional-valve", SteeringReader::directional);
        plain("shuttle", SteeringReader::shuttle);
        plain("section", SteeringReader::section);
        plain("cylinder", ActuatorReader::cylinder);
        plain("hydraulic-motor", ActuatorReader::motor);
        plain("accumulator", ActuatorReader::accumulator);
    }

    private static void driver(String type, Function<JsonNode, Component> reader) {
        KINDS.put(type, new ComponentKind(true, false, (n, unit) -> reader.apply(n)));
    }

    private static void setting(String type, Function<JsonNode, Component> reader) {
        KINDS.put(type, new ComponentKind(false, true, (n, unit) -> reader.apply(n)));
    }

    private static void plain(String type, Function<JsonNode, Component> reader) {
        KINDS.put(type, new ComponentKind(false, false, (n, unit) -> reader.apply(n)));
    }

    static final ComponentKind UNKNOWN = new ComponentKind(false, false, (n, unit) -> {
        throw new IllegalStateException("The schema lets through " + n.path("type") + ", which no reader knows");
    });

    /** What an entry is; one of an unknown type is nothing to others. */
    static ComponentKind of(JsonNode component) {
        return KINDS.getOrDefault(Fields.text(component, "type"), UNKNOWN);
    }
}
