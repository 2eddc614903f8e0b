/** What is there and was not planned, taken into the plan as a proposal. */
@NullMarked
package taxon.app.checks.found;

import org.jspecify.annotations.NullMarked;
