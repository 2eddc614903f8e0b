/**
 * Every rule with what it found.
 */
@NullMarked
package taxon.app.addresses.findings;

import org.jspecify.annotations.NullMarked;
