/**
 * Unit files and their revisions, accepted findings and the bill of materials.
 */
package earlygate.server.units;
