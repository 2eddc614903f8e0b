/**
 * CSV out. It opens in a spreadsheet without any cell being run as a formula.
 */
@NullMarked
package taxon.formats.csv;

import org.jspecify.annotations.NullMarked;
