/**
 * Setting the units by hand: their cards one position after the other, and ticking off what was set.
 */
@NullMarked
package taxon.app.setting;

import org.jspecify.annotations.NullMarked;
