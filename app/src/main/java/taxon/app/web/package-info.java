/**
 * What all pages share: the frame, the card, the selection, forms and their faults, answers as page or as JSON, access.
 *
 * <p>Knows no stage. A form that is refused shows its page again with what was typed and the reason beside each field.
 */
@NullMarked
package taxon.app.web;

import org.jspecify.annotations.NullMarked;
