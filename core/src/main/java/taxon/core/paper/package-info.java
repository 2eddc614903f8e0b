/**
 * What each paper of a job says, as values: the same for the page, the PDF and the lists, with a fingerprint of its content.
 */
@NullMarked
package taxon.core.paper;

import org.jspecify.annotations.NullMarked;
