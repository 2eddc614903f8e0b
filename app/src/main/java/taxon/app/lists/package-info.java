/** Lists that somebody brings, of whatever kind: the file, what its columns hold, and how its numbers are written. */
@NullMarked
package taxon.app.lists;

import org.jspecify.annotations.NullMarked;
