/**
 * RDM messages (ANSI E1.20, from memory) as values, and back. No I/O.
 *
 * <p>Unknown parameters and reasons are kept by number; a wrong length or checksum is malformed.
 */
@NullMarked
package taxon.wire.rdm.codec;

import org.jspecify.annotations.NullMarked;
