/**
 * A bound on what one call may work out: the thread that works asks {@link earlygate.work.WorkBound} before each solution,
 * and ends with {@link earlygate.work.WorkStopped} where it took too long or nobody waits any more.
 */
package earlygate.work;
