/**
 * What all computed changes have in common. A price says whom somebody must go to when a change is applied.
 */
@NullMarked
package taxon.core.proposal;

import org.jspecify.annotations.NullMarked;
