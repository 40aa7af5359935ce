package earlygate.judge;

import earlygate.judge.ScrewMachine.Group;
import java.util.Locale;

/** The goals of judgement and what is reached on machines of known truth: a thousand of each kind, or as many as asked. */
final class JudgementTable {
    private JudgementTable() {}

    public static void main(String[] args) {
        int n = args.length > 0 ? Integer.parseInt(args[0]) : 1000;
        System.out.printf("%-62s %9s %9s%n", "Judgement on " + n + " machines of each kind", "goal %", "reached");
        SettledTally settled = SettledTally.of(n);
        row("a ramp called settled", "0", settled.creeps, n);
        row("an approach settled off by more than 0.5 %", "< 1", settled.off, n);
        row("an approach settled in time", ">= 95", n - settled.late, n);
        row("a still needle settled in time", ">= 95", n - settled.stillLate, n);
        CrackTally crack = CrackTally.of(n);
        row("crack told before it passed", "< 1", crack.early, n);
        row("crack told, with a current", ">= 99", n - crack.without - crack.missed, n - crack.without);
        row("crack told, without", ">= 97", crack.without - crack.missedWithout, crack.without);
        row("what was held named within 0.5 %", ">= 99", crack.hits - crack.off, crack.hits);
        row("where the relief stands within 1 %", ">= 95", crack.within, crack.hits);
        row("where it stands inside the bounds", ">= 93", crack.bounded, crack.hits);
        row("crack told within an eighth of a turn", ">= 95", crack.quick - crack.late, crack.quick);
        turns("spring off its data, in 3 turns", Group.SLOPE, 3, n);
        turns("play, hand, dial, an outlier, in 5 turns", Group.ALL, 5, n);
        turns("a spring that stiffens by anything, in 5 turns", Group.RISING, 5, n);
        turns("from above, in 5 turns", Group.ABOVE, 5, n);
        row("a lost gauge told within 3 turns", ">= 95", TurnTally.of(Group.LOST, n, 0).noGauge, n);
        TurnTally limit = TurnTally.of(Group.LIMIT, n, 0);
        row("stopped before a limit", ">= 95", limit.stops, n);
        row("a limit passed", "0", limit.passed, n);
    }

    private static void turns(String what, Group group, int soonest, int n) {
        TurnTally t = TurnTally.of(group, n, soonest);
        row(what, ">= 90", t.soon, n);
        row("  beyond the target by two tolerances", "< 2", t.far, n);
        row("  wrong \"no gauge\"", "< 1", t.wrongNoGauge, n);
        row("  wrong \"stop\"", "< 0.5", t.stops, n);
        row("  more than 12 turns", "0", t.endless, n);
    }

    private static void row(String what, String goal, int count, int of) {
        System.out.printf(Locale.ROOT, "%-62s %9s %8.1f %%%n", what, goal, 100.0 * count / of);
    }
}
