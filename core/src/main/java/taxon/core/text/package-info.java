/** What every name and note must satisfy, and how close two names are. */
@NullMarked
package taxon.core.text;

import org.jspecify.annotations.NullMarked;
