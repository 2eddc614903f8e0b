/**
 * The one shape of proposals: what a kind computes becomes, for one plan, a fixed difference with its price and what it brings.
 * Kinds compute; they do not apply.
 */
@NullMarked
package taxon.core.proposal;

import org.jspecify.annotations.NullMarked;
