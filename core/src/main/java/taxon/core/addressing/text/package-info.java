/**
 * Sentences about wishes and proposals of addresses.
 */
@NullMarked
package taxon.core.addressing.text;

import org.jspecify.annotations.NullMarked;
