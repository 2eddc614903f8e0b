/** Pages that are kept true while somebody looks at them. */
@NullMarked
package taxon.app.live;

import org.jspecify.annotations.NullMarked;
