/**
 * Fields of a form, and what is answered to it.
 */
@NullMarked
package taxon.app.form;

import org.jspecify.annotations.NullMarked;
