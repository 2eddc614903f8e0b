/**
 * The wish: its sentence, its fields, and what each style would cost.
 */
@NullMarked
package taxon.app.addresses.wish;

import org.jspecify.annotations.NullMarked;
