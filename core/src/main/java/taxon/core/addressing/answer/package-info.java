/**
 * What a computed change of addresses says: moves with their reasons, what stays, what finds no place and why, the price, and how good it is.
 */
@NullMarked
package taxon.core.addressing.answer;

import org.jspecify.annotations.NullMarked;
