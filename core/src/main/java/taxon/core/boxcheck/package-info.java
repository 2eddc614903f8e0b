/** What boxes say of themselves, held against the plan. */
@NullMarked
package taxon.core.boxcheck;

import org.jspecify.annotations.NullMarked;
