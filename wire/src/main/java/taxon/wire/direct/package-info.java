/**
 * Interfaces that are plugged into this computer and have no IP address. What is spoken here is Taxon's own, over a socket of this
 * machine, to a stand-in that ships with it; a driver of a real one would take its place behind {@link taxon.wire.direct.DirectLink}.
 */
@NullMarked
package taxon.wire.direct;

import org.jspecify.annotations.NullMarked;
