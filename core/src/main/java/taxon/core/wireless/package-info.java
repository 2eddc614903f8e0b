/** Who hears by radio, from which transmitter, and whether the link that was made brings the levels that are planned. */
@NullMarked
package taxon.core.wireless;

import org.jspecify.annotations.NullMarked;
