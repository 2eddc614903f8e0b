/** The jot line: what it would do as one types, and doing it. */
@NullMarked
package taxon.app.jot;

import org.jspecify.annotations.NullMarked;
