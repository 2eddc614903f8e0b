/** Raising and holding by hand: armings from their preparation to their end, and the pages by which they are driven. */
@NullMarked
package taxon.app.checks.raise;

import org.jspecify.annotations.NullMarked;
