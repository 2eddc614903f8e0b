/**
 * Lists made elsewhere, whatever they are for: what their columns are called, how their numbers are written, and which rows
 * are none. Files and pasted rows go through here alike.
 */
@NullMarked
package taxon.core.listing;

import org.jspecify.annotations.NullMarked;
