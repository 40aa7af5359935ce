package earlygate.judge;

import earlygate.judge.NextTurn.Ask;

/** The choosing behind {@link NextTurn}, by what is believed of the screw ({@link ScrewBelief}). */
final class TurnChoice {
    /** The chance that is taken to pass the target by two tolerances. */
    private static final double CHANCE = 0.015;
    /** Probability above which the screw is reported to have lost the gauge. */
    private static final double LOST = 0.96;
    /** A last reading that may well be wrong is read again. */
    private static final double SUSPECT = 0.2;
    /** Good enough to be left. */
    private static final double SURE = 0.9;
    /** Sixteenths: at most a quarter while no turn was answered; then so many turns at once. */
    private static final int UNPROVEN = 4;

    /** A slope known from before: the first turn here still asks whether the gauge follows. */
    private static final int PROVEN = 16;

    private static final int MOST = 16 * 16;

    private final Ask ask;
    private final ScrewBelief belief;

    TurnChoice(Ask ask) {
        this.ask = ask;
        this.belief = new ScrewBelief(ask);
    }

    NextTurn advice() {
        boolean turned = ask.history().stream().anyMatch(r -> r.turns() != 0);
        if (belief.lost() > LOST || belief.isEmpty()) {
            return new NextTurn.NoGauge();
        }
        double now = belief.inside(0);
        if (now >= SURE && belief.suspect() < SUSPECT) {
            return new NextTurn.Leave();
        }
        int bound = turned ? MOST : ask.known().proven() ? PROVEN : UNPROVEN;
        int most = (int) Math.min(bound, ask.most() / NextTurn.SIXTEENTH);
        int chosen = best(now, most);
        // The first answer is told from a misread one by the next turn; a later one is read again before it is built
        // on.
        boolean later = ask.history().size() > 2 || chosen <= UNPROVEN;
        if (turned && later && belief.suspect() > SUSPECT && again() < 2) {
            return turn(0);
        }
        return chosen != 0 ? turn(chosen * NextTurn.SIXTEENTH) : unsure(most);
    }

    /** How often the last reading was read without a turn between. */
    private int again() {
        int again = 0;
        for (int i = ask.history().size() - 1; i > 0 && ask.history().get(i).turns() == 0; i--) {
            again++;
        }
        return again;
    }

    /** Of all sixteenths the one with the best chance to end inside; 0 where none is better than to leave it. */
    private int best(double now, int most) {
        double p = belief.mean(0);
        int chosen = 0;
        double chance = now;
        for (int k = 1; k <= most && p < ask.target() + ask.close() && bearable(k * NextTurn.SIXTEENTH); k++) {
            double in = belief.inside(k * NextTurn.SIXTEENTH);
            if (in > chance + 1e-9) {
                chance = in;
                chosen = k;
            }
        }
        for (int k = -1; k >= -most && p > ask.target() - ask.close(); k--) {
            double in = belief.inside(k * NextTurn.SIXTEENTH);
            if (in > chance + 1e-9) {
                chance = in;
                chosen = k;
            }
        }
        return chosen;
    }

    /** No turn has a better chance than none: good, or as good as it gets, or towards it as far as is safe. */
    private NextTurn unsure(int most) {
        double p = belief.mean(0);
        if (Math.abs(p - ask.target()) <= ask.close()) {
            return new NextTurn.Leave();
        }
        int way = p < ask.target() ? 1 : -1;
        double step = Math.abs(belief.mean(way * NextTurn.SIXTEENTH) - p);
        boolean limited = way > 0 && belief.limited(NextTurn.SIXTEENTH);
        if (limited) {
            return new NextTurn.Stop();
        }
        // The other side is no nearer.
        if (step >= 2 * Math.abs(p - ask.target())) {
            return new NextTurn.Finest();
        }
        int far = 0;
        for (int k = 1; k <= most && (way < 0 || bearable(k * NextTurn.SIXTEENTH)); k++) {
            double to = belief.mean(way * k * NextTurn.SIXTEENTH);
            if (way * (to - ask.target()) > 0) {
                break;
            }
            far = k;
        }
        if (far == 0 && again() > 0) {
            return step > ask.close() / 2 ? new NextTurn.Finest() : turn(way * NextTurn.SIXTEENTH);
        }
        return turn(way * far * NextTurn.SIXTEENTH);
    }

    private boolean bearable(double turns) {
        return belief.far(turns) < CHANCE && !belief.limited(turns);
    }

    private NextTurn turn(double turns) {
        double mean = belief.mean(turns);
        double band = 2 * belief.spread(turns);
        return new NextTurn.Turn(turns, mean, Math.max(0, mean - band), mean + band);
    }
}
