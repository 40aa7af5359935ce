/**
 * Several units in one day: who begins which when, so that no instrument and no partner is wanted at two places at once.
 * Start at {@link earlygate.day.DaySheet}.
 */
package earlygate.day;
