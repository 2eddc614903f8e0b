/** How Taxon begins: what must be so before it does, and the one line that it ends with where it is not. */
@NullMarked
package taxon.app.start;

import org.jspecify.annotations.NullMarked;
