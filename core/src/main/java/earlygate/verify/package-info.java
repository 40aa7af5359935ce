/**
 * Tests after locking and how they are judged: docs/handbook.md, section 8. Start at {@link earlygate.verify.ReturnTest}:
 * the spread of at least three readings, (max - min)/mean, within one percent.
 */
package earlygate.verify;
