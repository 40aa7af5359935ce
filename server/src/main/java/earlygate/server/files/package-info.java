/**
 * Files beside a record: photographs and papers, kept by the hash of their bytes.
 */
package earlygate.server.files;
