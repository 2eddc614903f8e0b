/**
 * The rig seen from above, as SVG: computed from the plan, drawn to scale.
 */
@NullMarked
package taxon.app.rig.drawing;

import org.jspecify.annotations.NullMarked;
