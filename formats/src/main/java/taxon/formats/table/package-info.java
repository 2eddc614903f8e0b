/**
 * Tables in: separated text, sheets of XLSX workbooks (ECMA-376), and rows out of a clipboard, all read into the same rows.
 *
 * <p>Input is untrusted: bytes, rows, columns and cells are bounded before anything is kept.
 */
@NullMarked
package taxon.formats.table;

import org.jspecify.annotations.NullMarked;
