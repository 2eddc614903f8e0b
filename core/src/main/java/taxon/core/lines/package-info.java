/**
 * Lines of cable: which units each reaches and in which order, by how much cable of which pieces, and what finds no way.
 */
@NullMarked
package taxon.core.lines;

import org.jspecify.annotations.NullMarked;
