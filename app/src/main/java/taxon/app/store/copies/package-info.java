/** Copies of the store: made while it is in use, checked, kept by a rule, and put back. */
@NullMarked
package taxon.app.store.copies;

import org.jspecify.annotations.NullMarked;
