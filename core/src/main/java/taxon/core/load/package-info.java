/**
 * What network cables between boxes have to carry.
 */
@NullMarked
package taxon.core.load;

import org.jspecify.annotations.NullMarked;
