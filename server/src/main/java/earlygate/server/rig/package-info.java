/**
 * The practice machines that run now: {@link earlygate.server.rig.RigHost} moves them in time and tells whoever
 * watches.
 */
package earlygate.server.rig;
