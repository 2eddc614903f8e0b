/**
 * From the rows of an equipment list to fixtures.
 *
 * <p>Input: rows of raw cells, as a reader found them. Output: for each row either what it will add, or every fault with
 * the value, the reason and the way out. Rows do not depend on each other: a bad one never costs a good one.
 */
@NullMarked
package taxon.core.equipmentlist;

import org.jspecify.annotations.NullMarked;
