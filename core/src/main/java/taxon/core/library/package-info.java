/**
 * The types that a shop knows: an index to search them in, the shelf of what it owns, doubts about modes, and stand-ins for
 * types that nobody has described.
 *
 * <p>The index works on {@link taxon.core.library.TypeSummary}, so that ten thousand types are searched without being loaded.
 */
@NullMarked
package taxon.core.library;

import org.jspecify.annotations.NullMarked;
