/**
 * Art-Net 4 packets (published protocol, from memory) as values, and back. No I/O.
 *
 * <p>An opcode that is not known here comes back as such; a packet that breaks the layout is malformed.
 */
@NullMarked
package taxon.wire.artnet.codec;

import org.jspecify.annotations.NullMarked;
