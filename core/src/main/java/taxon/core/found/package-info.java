/** What is there and was not planned, as a proposal to take it into the plan. */
@NullMarked
package taxon.core.found;

import org.jspecify.annotations.NullMarked;
