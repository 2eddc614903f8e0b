/**
 * The stage Types: the types that are known, their modes, and what each slot does.
 */
@NullMarked
package taxon.app.types;

import org.jspecify.annotations.NullMarked;
