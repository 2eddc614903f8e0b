/** Wireless receivers: which channel each is to hear, and how it is known to be linked. */
@NullMarked
package taxon.app.wireless;

import org.jspecify.annotations.NullMarked;
