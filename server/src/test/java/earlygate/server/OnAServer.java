package earlygate.server;

import static earlygate.server.Server.object;

import earlygate.server.Server.Answer;

/** A class of tests on the server that all such classes share: each keeps to tags and runs of its own. */
abstract class OnAServer {
    static final Server server = Server.shared();

    /** Starts a run that must start; answers its number. */
    static long run(String tag, boolean practice) {
        return server.startRun(tag, practice);
    }

    static Answer rig(long run, String action, String target, double value) {
        return server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", action).put("target", target).put("value", value));
    }
}
