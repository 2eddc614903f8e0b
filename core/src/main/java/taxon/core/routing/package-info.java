/**
 * Routes for universes that have none: which port of which box each gets.
 */
@NullMarked
package taxon.core.routing;

import org.jspecify.annotations.NullMarked;
