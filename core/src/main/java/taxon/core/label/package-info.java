/**
 * Labels as geometry: where each lies on its sheet, and how its text and code fit it. Lengths are millimetres, counted from the top left
 * corner.
 */
@NullMarked
package taxon.core.label;

import org.jspecify.annotations.NullMarked;
