/**
 * Who may, and who it is.
 */
@NullMarked
package taxon.app.access;

import org.jspecify.annotations.NullMarked;
