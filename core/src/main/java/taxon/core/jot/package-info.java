/**
 * The jot line: one line of plain words in a fixed order that adds, chooses, moves, renames or addresses. The grammar is
 * written down in docs/jot-line.md.
 */
@NullMarked
package taxon.core.jot;

import org.jspecify.annotations.NullMarked;
