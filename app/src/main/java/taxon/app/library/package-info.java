/**
 * The types that this shop knows, apart from any job: those that ship with Taxon and those of the store, searched, read from
 * files and made here; the shelf and the doubts.
 */
@NullMarked
package taxon.app.library;

import org.jspecify.annotations.NullMarked;
