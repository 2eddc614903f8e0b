/**
 * Printing in the background: what is drawn, how far it is, and the file that comes of it. Also the fonts and the code that all printed
 * things share.
 */
@NullMarked
package taxon.app.printing;

import org.jspecify.annotations.NullMarked;
