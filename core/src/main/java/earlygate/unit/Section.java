package earlygate.unit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/**
 * One slice of a load-sense valve.
 *
 * @param flow largest flow of the spool, m3/s; empty for as much as its opening passes
 */
public record Section(
        String id,
        String supply,
        String returns,
        String signal,
        String portA,
        String portB,
        double ratedFlow,
        double ratedDrop,
        OptionalDouble flow,
        Optional<PortRelief> reliefA,
        Optional<PortRelief> reliefB,
        Map<String, String> positionWords)
        implements Positioned {
    public static final List<String> POSITIONS = List.of("neutral", "a", "b");

    /** Limits the port, and through the signal the pump; Pa. */
    public record PortRelief(double settingPa, Screw screw) {}

    public String reliefAId() {
        return Control.RELIEF_A.of(id);
    }

    public String reliefBId() {
        return Control.RELIEF_B.of(id);
    }

    @Override
    public List<String> positionNames() {
        return POSITIONS;
    }

    @Override
    public String rest() {
        return POSITIONS.get(0);
    }

    @Override
    public List<Setting> settings() {
        return Stream.concat(
                        reliefA.map(r -> setting(reliefAId(), portA, r)).stream(),
                        reliefB.map(r -> setting(reliefBId(), portB, r)).stream())
                .toList();
    }

    private Setting setting(String name, String port, PortRelief r) {
        return new Setting(name, id, Setting.Kind.PORT_RELIEF, port, r.settingPa(), r.screw());
    }

    @Override
    public List<Way> ways() {
        return List.of(new Way(supply, portA, false), new Way(supply, portB, false));
    }
}
