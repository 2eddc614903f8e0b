/** The store looked after: checks, copies on a schedule, what goes out again, and the page that shows it. */
@NullMarked
package taxon.app.upkeep;

import org.jspecify.annotations.NullMarked;
