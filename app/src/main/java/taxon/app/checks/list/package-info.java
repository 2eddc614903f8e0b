/** The check list: unit after unit along the rig, what was seen of each, and how far it is. */
@NullMarked
package taxon.app.checks.list;

import org.jspecify.annotations.NullMarked;
