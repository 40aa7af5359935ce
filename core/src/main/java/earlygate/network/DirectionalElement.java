package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.network.ComponentState.ValveState;
import earlygate.unit.DirectionalValve;
import java.util.List;
import java.util.Map;

/** Each pair of lines that its position ties is an orifice, both ways. */
final class DirectionalElement extends Element {
    private final int index;
    private final int[][] from;
    private final int[][] to;
    private final double k;

    DirectionalElement(DirectionalValve v, Network n, int index) {
        super(v.id());
        this.index = index;
        k = Orifice.coefficient(v.ratedFlow(), v.ratedDrop());
        List<List<DirectionalValve.Path>> positions = List.copyOf(v.positions().values());
        from = new int[positions.size()][];
        to = new int[positions.size()][];
        for (int i = 0; i < from.length; i++) {
            from[i] = positions.get(i).stream()
                    .mapToInt(p -> n.lineIndex(p.from()))
                    .toArray();
            to[i] = positions.get(i).stream().mapToInt(p -> n.lineIndex(p.to())).toArray();
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
