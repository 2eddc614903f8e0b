/**
 * The handover bundle: one ZIP, its files and a manifest with their SHA-256 sums.
 */
@NullMarked
package taxon.formats.bundle;

import org.jspecify.annotations.NullMarked;
