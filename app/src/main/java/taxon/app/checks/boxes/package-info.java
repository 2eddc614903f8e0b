/** Which boxes are there: all are asked, and what they say is held against the plan. */
@NullMarked
package taxon.app.checks.boxes;

import org.jspecify.annotations.NullMarked;
