/**
 * The arithmetic of DMX512-A: slots, universes, addresses, packet timing, address switches.
 *
 * <p>A value that exists is legal: constructors refuse what lies outside the standard's range, and no operation crosses
 * slot 512 silently. Nothing here knows a fixture.
 */
@NullMarked
package taxon.core.dmx;

import org.jspecify.annotations.NullMarked;
