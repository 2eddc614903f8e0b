/**
 * The stage Handover: frozen revisions and the bundle that is handed over.
 */
@NullMarked
package taxon.app.handover;

import org.jspecify.annotations.NullMarked;
