package earlygate.verify;

import earlygate.curve.PumpCurve;
import earlygate.curve.Viscosity;
import earlygate.network.ComponentState.PumpState;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Fluid;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import java.util.Optional;

/** A pump whose outlet is held at a pressure: what the model says it delivers, how fast it turns and what has its stroke. */
final class HeldPump {
    private final PowerUnit unit;
    private final Model model;
    private final Pump pump;
    private final Situation situation;
    private final Viscosity viscosity;

    HeldPump(Model model, Pump pump, Situation situation) {
        this.model = model;
        this.unit = model.unit();
        this.pump = pump;
        this.situation = situation;
        Fluid f = unit.fluid();
        this.viscosity = Viscosity.of(f.viscosity40(), f.viscosityIndex());
    }

    /**
     * @param flow m3/s delivered
     * @param full n D, m3/s: what full stroke would displace at this speed
     * @param leakScale of leakage at this oil, against the reference
     * @param control has the stroke; empty at the full-stroke stop
     */
    record At(double flow, double full, double stroke, double leakScale, Optional<String> control) {}

    /** Empty where the model has no answer, or the pump stands still. */
    Optional<At> at(CurvePoint point, double pressurePa) {
        Situation s = situation.withPressure(pump.outlet(), pressurePa);
        if (point.oil().isPresent()) {
            s = s.withOil(point.oil().getAsDouble());
        }
        if (point.speed().isPresent()) {
            s = s.withSpeed(pump.driver(), point.speed().getAsDouble());
        }
        if (point.signalPa().isPresent() && pump.loadSense().isPresent()) {
            s = s.withPressure(pump.loadSense().get().signal(), point.signalPa().getAsDouble());
        }
        return model.solve(s).flatMap(this::of);
    }

    private Optional<At> of(SteadyState state) {
        double speed = state.driver(pump.driver()).speed();
        if (speed <= 0 || state.starved().contains(pump.id())) {
            return Optional.empty();
        }
        PumpState p = state.pump(pump.id());
        double scale = unit.fluid().viscosity40() / viscosity.at(state.oil());
        return Optional.of(new At(p.flow(), speed * pump.displacement(), p.stroke(), scale, p.inControl()));
    }

    /** m3/s per Pa of a new one at the reference viscosity. */
    double leakage() {
        return PumpCurve.leakage(ratedSpeed(), pump.displacement(), pump.volumetricEfficiency(), pump.ratedPressure());
    }

    double ratedSpeed() {
        return unit.driverOf(pump).ratedSpeed();
    }
}
