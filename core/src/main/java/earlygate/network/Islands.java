package earlygate.network;

import java.util.ArrayList;
import java.util.List;

/** Lines that, as valves stand, nothing ties to the tank or to a held line: only seepage gives them a pressure. */
public final class Islands {
    private Islands() {}

    public static List<String> of(Network network, Balance b, Conditions c) {
        boolean[] tied = c.held.clone();
        for (boolean more = true; more; ) {
            more = false;
            for (int i = 0; i < b.lines; i++) {
                if (!tied[i] && reaches(i, tied, b)) {
                    tied[i] = true;
                    more = true;
                }
            }
        }
        List<String> islands = new ArrayList<>();
        for (int i = 0; i < b.lines; i++) {
            if (!tied[i]) {
                islands.add(network.lineIds[i]);
            }
        }
        return islands;
    }

    /** The balance of a held line is overwritten, so only this line's own row can be asked about one. */
    private static boolean reaches(int line, boolean[] tied, Balance b) {
        for (int j = 0; j < b.lines; j++) {
            double either =
                    Math.max(Math.abs(b.jacobian[line * b.lines + j]), Math.abs(b.jacobian[j * b.lines + line]));
            if (tied[j] && j != line && either > 10 * Balance.SEEPAGE) {
                return true;
            }
        }
        return false;
    }
}
