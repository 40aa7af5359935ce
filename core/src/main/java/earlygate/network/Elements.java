package earlygate.network;

import earlygate.unit.Accumulator;
import earlygate.unit.CheckValve;
import earlygate.unit.Component;
import earlygate.unit.Cylinder;
import earlygate.unit.DcMotor;
import earlygate.unit.DirectionalValve;
import earlygate.unit.ElectricMotor;
import earlygate.unit.Engine;
import earlygate.unit.Filter;
import earlygate.unit.FlowControl;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.Leak;
import earlygate.unit.ReducingValve;
import earlygate.unit.ReliefValve;
import earlygate.unit.Section;
import earlygate.unit.SequenceValve;
import earlygate.unit.Shuttle;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import java.util.HashMap;
import java.util.Map;

/** Which element a component becomes, one entry each. Pumps are part of the shaft that turns them. */
final class Elements {
    private interface Maker<C extends Component> {
        Element make(C part, Network n, int index);
    }

    private static final Map<Class<? extends Component>, Maker<?>> MAKERS = new HashMap<>();

    static {
        becomes(ElectricMotor.class, (m, n, i) -> new ShaftElement(m, n.pumpsOn(m), i));
        becomes(Engine.class, (m, n, i) -> new ShaftElement(m, n.pumpsOn(m), i));
        becomes(DcMotor.class, (m, n, i) -> new ShaftElement(m, n.pumpsOn(m), i));
        becomes(ReliefValve.class, ReliefElement::new);
        becomes(UnloadingValve.class, UnloadingElement::new);
        becomes(ReducingValve.class, (v, n, i) -> new ReducingElement(v, n));
        becomes(SequenceValve.class, (v, n, i) -> new SequenceElement(v, n));
        becomes(Throttle.class, OrificeElement::new);
        becomes(CheckValve.class, (v, n, i) -> new CheckElement(v, n));
        becomes(FlowControl.class, (v, n, i) -> new FlowControlElement(v, n));
        becomes(DirectionalValve.class, DirectionalElement::new);
        becomes(Section.class, SectionElement::new);
        becomes(Shuttle.class, (v, n, i) -> new ShuttleElement(v, n));
        becomes(Cylinder.class, ActuatorElement::new);
        becomes(HydraulicMotor.class, ActuatorElement::new);
        becomes(Accumulator.class, (a, n, i) -> new AccumulatorElement(a, n));
        becomes(Filter.class, (f, n, i) -> new LaminarElement(f, n));
        becomes(Leak.class, (l, n, i) -> new LaminarElement(l, n));
    }

    private Elements() {}

    private static <C extends Component> void becomes(Class<C> kind, Maker<C> maker) {
        MAKERS.put(kind, maker);
    }

    static boolean knows(Class<?> kind) {
        return MAKERS.containsKey(kind);
    }

    @SuppressWarnings("unchecked")
    static <C extends Component> Element of(C part, Network n, int index) {
        return ((Maker<C>) MAKERS.get(part.getClass())).make(part, n, index);
    }
}
