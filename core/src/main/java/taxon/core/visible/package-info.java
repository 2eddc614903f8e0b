/**
 * What makes a unit give light, and what keeps it dark: from what its channels do, never by trying. Names of runs are read as manuals
 * write them (common practice), and where a manual says nothing, nothing is claimed.
 */
@NullMarked
package taxon.core.visible;

import org.jspecify.annotations.NullMarked;
