/** Writes workbooks. */
@NullMarked
package taxon.formats.workbook;

import org.jspecify.annotations.NullMarked;
