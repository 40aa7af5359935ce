package earlygate.rig;

import earlygate.unit.Driver;
import earlygate.unit.ElectricMotor;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;

/**
 * What must be made right at a machine before it turns: locks off, suction valves open, cases full, motors turning with
 * the arrow. Only parts that have the thing in question are named.
 */
public record Readiness(
        Map<String, Boolean> lockedOut,
        Map<String, Boolean> suctionOpen,
        Map<String, Boolean> caseFilled,
        Map<String, Boolean> rotationRight) {
    /** As a unit stands when it is delivered: valves shut, cases dry, and one motor in four wired the wrong way round. */
    static Readiness delivered(PowerUnit unit, Random hidden) {
        Readiness r = new Readiness(new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), new TreeMap<>());
        unit.all(Driver.class).forEach(d -> r.lockedOut.put(d.id(), false));
        for (Pump p : unit.all(Pump.class)) {
            if (p.suctionValve()) {
                r.suctionOpen.put(p.id(), false);
            }
            if (p.caseToFill()) {
                r.caseFilled.put(p.id(), false);
            }
        }
        unit.all(ElectricMotor.class).forEach(m -> r.rotationRight.put(m.id(), hidden.nextInt(4) != 0));
        return r;
    }

    void set(String action, String part, boolean to) {
        Map<String, Boolean> of = switch (action) {
            case "lock-out" -> lockedOut;
            case "suction" -> suctionOpen;
            case "fill" -> caseFilled;
            case "rotation" -> rotationRight;
            default -> throw new NoSuchElementException(action);
        };
        if (of.replace(part, to) == null && !action.equals("rotation")) {
            throw new NoSuchElementException(part);
        }
    }

    /** Whether this part has something of the kind. */
    public boolean has(String action, String part) {
        return switch (action) {
            case "lock-out" -> lockedOut.containsKey(part);
            case "suction" -> suctionOpen.containsKey(part);
            case "fill" -> caseFilled.containsKey(part);
            case "rotation" -> rotationRight.containsKey(part);
            default -> false;
        };
    }

    /** Oil comes to this pump and its shaft turns the right way. */
    boolean draws(Pump p) {
        return suctionOpen.getOrDefault(p.id(), true) && rotationRight.getOrDefault(p.driver(), true);
    }

    /** What destroys a pump of this drive within seconds, if anything does. */
    Optional<String> unsound(PowerUnit unit, Driver d) {
        if (!rotationRight.getOrDefault(d.id(), true)) {
            return Optional.of("rotation");
        }
        for (Pump p : unit.all(Pump.class)) {
            if (p.driver().equals(d.id()) && !suctionOpen.getOrDefault(p.id(), true)) {
                return Optional.of("suction");
            }
            if (p.driver().equals(d.id()) && !caseFilled.getOrDefault(p.id(), true)) {
                return Optional.of("case");
            }
        }
        return Optional.empty();
    }

    void restore(Readiness other) {
        other.lockedOut.forEach(lockedOut::replace);
        other.suctionOpen.forEach(suctionOpen::replace);
        other.caseFilled.forEach(caseFilled::replace);
        other.rotationRight.forEach(rotationRight::replace);
    }

    void allReady() {
        lockedOut.replaceAll((id, on) -> false);
        suctionOpen.replaceAll((id, open) -> true);
        caseFilled.replaceAll((id, full) -> true);
        rotationRight.replaceAll((id, right) -> true);
    }
}
