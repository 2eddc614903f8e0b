/**
 * Drawings for paper: sheets with lines, boxes and words in millimetres, and the rig from above at a true scale. What draws them, on a
 * screen or into a file, is elsewhere.
 */
@NullMarked
package taxon.core.drawing;

import org.jspecify.annotations.NullMarked;
