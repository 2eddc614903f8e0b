/**
 * Labels of units, cables, boxes and cases: chosen, fitted, looked at and printed.
 */
@NullMarked
package taxon.app.labels;

import org.jspecify.annotations.NullMarked;
