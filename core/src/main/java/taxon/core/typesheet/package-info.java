/**
 * Writing a type down: the type sheet, a plain text with modes, blocks, cells, channels and ranges, in the order of a manual.
 *
 * <p>Input: text that someone typed or pasted. Output: modes as far as they can be built, and every problem with its line.
 * {@link taxon.core.typesheet.SheetWriter} gives the text back that {@link taxon.core.typesheet.SheetReader} reads. The grammar
 * is in docs/type-sheet.md.
 */
@NullMarked
package taxon.core.typesheet;

import org.jspecify.annotations.NullMarked;
