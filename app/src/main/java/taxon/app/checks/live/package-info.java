/** Pages of the checks that are kept true while somebody looks at them. */
@NullMarked
package taxon.app.checks.live;

import org.jspecify.annotations.NullMarked;
