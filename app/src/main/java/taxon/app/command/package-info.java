/** Commands for scripts: what they say is said by the same core as the pages, without a server and without a store. */
@NullMarked
package taxon.app.command;

import org.jspecify.annotations.NullMarked;
