/**
 * Raising and holding: which slots may be driven by whom, what raises a thing, what a second source comes to on each way, and when all of
 * it is let go. Pure: packets and the time come in, levels and the end go out; nothing is sent from here.
 */
@NullMarked
package taxon.core.raising;

import org.jspecify.annotations.NullMarked;
