/**
 * The rig as rows and columns: cells as text, edits of many cells at once, series, and rows pasted from a spreadsheet.
 */
@NullMarked
package taxon.core.rigtable;

import org.jspecify.annotations.NullMarked;
