/**
 * Streaming ACN data packets (ANSI E1.31, from memory) as values, and back. No I/O.
 */
@NullMarked
package taxon.wire.sacn.codec;

import org.jspecify.annotations.NullMarked;
