/**
 * CSV: equipment lists in, patch sheets out.
 *
 * <p>Input is untrusted: bytes, rows, columns and cells are bounded before anything is kept. Output opens in a spreadsheet
 * without any cell being run as a formula.
 */
@NullMarked
package taxon.formats.csv;

import org.jspecify.annotations.NullMarked;
