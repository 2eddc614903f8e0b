/**
 * The stage Paperwork: patch sheets as page, PDF and CSV.
 */
@NullMarked
package taxon.app.paperwork;

import org.jspecify.annotations.NullMarked;
