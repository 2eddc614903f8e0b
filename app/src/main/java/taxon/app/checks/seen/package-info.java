/** Checks, seeing: what levels come by the card, from whom, and whether they are as planned. Never sends. */
@NullMarked
package taxon.app.checks.seen;

import org.jspecify.annotations.NullMarked;
