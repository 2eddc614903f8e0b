/**
 * Lines of cable: the page of all of them with what to take along, one line leg by leg, and their proposal.
 */
@NullMarked
package taxon.app.lines;

import org.jspecify.annotations.NullMarked;
