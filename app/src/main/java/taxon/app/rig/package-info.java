/**
 * The stage Rig: what hangs where, the equipment list in, adding by hand, finding a fixture.
 */
@NullMarked
package taxon.app.rig;

import org.jspecify.annotations.NullMarked;
