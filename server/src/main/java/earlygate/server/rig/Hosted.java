package earlygate.server.rig;

/** A practice machine that runs, and when somebody last watched or worked it. */
final class Hosted {
    private final LiveRig live;
    volatile long touchedAt;

    Hosted(LiveRig live) {
        this.live = live;
    }

    LiveRig live() {
        return live;
    }
}
