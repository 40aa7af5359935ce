/**
 * Sentences: reasons of the core in words and chosen units, and problems as answers.
 */
package earlygate.server.words;
