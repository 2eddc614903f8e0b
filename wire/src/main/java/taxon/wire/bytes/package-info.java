/**
 * Reading and writing bytes with bounds: what all codecs stand on.
 *
 * <p>A read past the end is a {@link taxon.wire.bytes.MalformedPacketException}, never a short value.
 */
@NullMarked
package taxon.wire.bytes;

import org.jspecify.annotations.NullMarked;
