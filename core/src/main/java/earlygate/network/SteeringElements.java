package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.curve.Ramp;
import earlygate.network.ComponentState.ValveState;
import earlygate.quantity.Si;
import earlygate.unit.DirectionalValve;
import earlygate.unit.Section;
import earlygate.unit.Shuttle;
import java.util.List;
import java.util.Map;

/** Valves that choose between ways: directional valves, shuttles, sections of a load-sense valve. */
final class SteeringElements {
    /** Short drilled ways that only carry a signal: 20 L/min per bar. */
    private static final double SIGNAL = 20 * Si.LPM / Si.BAR;

    private SteeringElements() {}

    static final class Directional extends Element {
        private final int index;
        private final int[][] from;
        private final int[][] to;
        private final double k;

        Directional(DirectionalValve v, Network n, int index) {
            super(v.id());
            this.index = index;
            k = Orifice.coefficient(v.ratedFlow(), v.ratedDrop());
            List<List<DirectionalValve.Path>> positions =
                    List.copyOf(v.positions().values());
            from = new int[positions.size()][];
            to = new int[positions.size()][];
            for (int i = 0; i < from.length; i++) {
                from[i] = positions.get(i).stream()
                        .mapToInt(p -> n.lineIndex(p.from()))
                        .toArray();
                to[i] = positions.get(i).stream()
                        .mapToInt(p -> n.lineIndex(p.to()))
                        .toArray();
            }
        }

        @Override
        void stamp(Balance b, Conditions c) {
            int at = c.position[index];
            for (int i = 0; i < from[at].length; i++) {
                double drop = b.pressure[from[at][i]] - b.pressure[to[at][i]];
                b.flow(from[at][i], to[at][i], Orifice.flow(k, drop), Orifice.slope(k, drop));
            }
        }

        @Override
        void report(Balance b, Conditions c, Map<String, ComponentState> into) {
            int at = c.position[index];
            double largest = 0;
            double heat = 0;
            for (int i = 0; i < from[at].length; i++) {
                double drop = b.pressure[from[at][i]] - b.pressure[to[at][i]];
                double flow = Orifice.flow(k, drop);
                heat += flow * drop;
                largest = Math.abs(flow) > Math.abs(largest) ? flow : largest;
            }
            into.put(id, new ValveState(largest, from[at].length > 0 ? 1 : 0, heat));
        }
    }

    static final class ShuttleElement extends Element {
        private static final double OVER = 0.25 * Si.BAR;

        private final int a;
        private final int b;
        private final int out;

        ShuttleElement(Shuttle s, Network n) {
            super(s.id());
            a = n.lineIndex(s.a());
            b = n.lineIndex(s.b());
            out = n.lineIndex(s.out());
        }

        /** Share of the way to a: the ball goes over within a quarter of a bar, so that the flow has no jump. */
        private double share(Balance x) {
            return Math.max(0, Math.min(1, 0.5 + (x.pressure[a] - x.pressure[b]) / (2 * OVER)));
        }

        @Override
        void stamp(Balance x, Conditions c) {
            double w = share(x);
            double fromA = x.pressure[a] - x.pressure[out];
            double fromB = x.pressure[b] - x.pressure[out];
            x.flow(a, out, SIGNAL * w * fromA, SIGNAL * w);
            x.flow(b, out, SIGNAL * (1 - w) * fromB, SIGNAL * (1 - w));
            if (w > 0 && w < 1) {
                double perShare = SIGNAL / (2 * OVER);
                x.slope(a, out, a, perShare * fromA);
                x.slope(a, out, b, -perShare * fromA);
                x.slope(b, out, a, -perShare * fromB);
                x.slope(b, out, b, perShare * fromB);
            }
        }

        @Override
        void report(Balance x, Conditions c, Map<String, ComponentState> into) {
            double w = share(x);
            double fromA = x.pressure[a] - x.pressure[out];
            double fromB = x.pressure[b] - x.pressure[out];
            double flow = SIGNAL * (w * fromA + (1 - w) * fromB);
            double heat = SIGNAL * (w * fromA * fromA + (1 - w) * fromB * fromB);
            into.put(id, new ValveState(flow, w > 0.5 ? 1 : 0, heat));
        }
    }

    /** Position 0 neutral, 1 a, 2 b. */
    static final class SectionElement extends Element {
        private static final double RELIEF_BAND = 5 * Si.BAR;
        private static final double PORT_BLEED = 1 * Si.LPM / Si.BAR;

        private final int index;
        private final int supply;
        private final int returns;
        private final int signal;
        private final int[] port;
        private final int[] relief;
        private final double k;
        private final double most;

        SectionElement(Section s, Network n, int index) {
            super(s.id());
            this.index = index;
            supply = n.lineIndex(s.supply());
            returns = n.lineIndex(s.returns());
            signal = n.lineIndex(s.signal());
            port = new int[] {n.lineIndex(s.portA()), n.lineIndex(s.portB())};
            relief = new int[] {
                s.reliefA().isPresent() ? n.settingIndex(s.id() + ".reliefA") : -1,
                s.reliefB().isPresent() ? n.settingIndex(s.id() + ".reliefB") : -1
            };
            k = Orifice.coefficient(s.ratedFlow(), s.ratedDrop());
            most = s.flow().orElse(Double.POSITIVE_INFINITY);
        }

        private double limit(int side, Conditions c) {
            return relief[side] < 0 ? Double.POSITIVE_INFINITY : c.setting[relief[side]];
        }

        @Override
        void stamp(Balance b, Conditions c) {
            for (int side = 0; side < 2; side++) {
                double over = b.pressure[port[side]] - limit(side, c);
                if (over > 0) {
                    b.flow(port[side], returns, PORT_BLEED * over);
                    b.slope(port[side], returns, port[side], PORT_BLEED);
                }
            }
            if (c.position[index] == 0) {
                return;
            }
            int side = c.position[index] - 1;
            int work = port[side];
            double drop = b.pressure[supply] - b.pressure[work];
            double y = relief[side] < 0 ? 1 : Ramp.value(b.pressure[work], limit(side, c), RELIEF_BAND);
            double free = Orifice.flow(k, drop);
            b.flow(supply, work, y * Math.min(most, free), free < most ? y * Orifice.slope(k, drop) : 0);
            if (relief[side] >= 0) {
                double slope = Ramp.slope(b.pressure[work], limit(side, c), RELIEF_BAND);
                b.slope(supply, work, work, slope * Math.min(most, free));
            }
            int back = port[1 - side];
            double home = b.pressure[back] - b.pressure[returns];
            b.flow(back, returns, Orifice.flow(k, home), Orifice.slope(k, home));
            sense(b, work, limit(side, c));
        }

        /** The port's pressure, no more than its relief allows, lifts the signal; only a bleed lets it fall. */
        private void sense(Balance b, int work, double limitPa) {
            double source = Math.min(b.pressure[work], limitPa);
            double lift = source - b.pressure[signal];
            if (lift > 0) {
                b.flow(work, signal, SIGNAL * lift);
                b.slope(work, signal, work, b.pressure[work] < limitPa ? SIGNAL : 0);
                b.slope(work, signal, signal, -SIGNAL);
            }
        }

        @Override
        void report(Balance b, Conditions c, Map<String, ComponentState> into) {
            if (c.position[index] == 0) {
                into.put(id, new ValveState(0, 0, 0));
                return;
            }
            int side = c.position[index] - 1;
            double drop = b.pressure[supply] - b.pressure[port[side]];
            double y = relief[side] < 0 ? 1 : Ramp.value(b.pressure[port[side]], limit(side, c), RELIEF_BAND);
            double flow = y * Math.min(most, Orifice.flow(k, drop));
            into.put(id, new ValveState(flow, y, flow * drop));
        }

        @Override
        double limitOf(int line, Conditions c) {
            int at = c.position[index];
            return at > 0 && line == port[at - 1] ? limit(at - 1, c) : Double.POSITIVE_INFINITY;
        }
    }
}
