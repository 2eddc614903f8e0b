/**
 * GDTF, the General Device Type Format (DIN SPEC 15800): fixture types as an archive with {@code description.xml}. The rules
 * followed here are from memory of the published document and of the files that are met.
 *
 * <p>{@link taxon.formats.gdtf.GdtfReader} takes a file that may come from anyone and gives a type with notes, or refuses it
 * with a sentence. {@link taxon.formats.gdtf.GdtfWriter} writes any type. What GDTF has no place for, such as the settings
 * that a block needs, travels in a second file in the archive, {@code taxon-facts.json}, which other readers pass over.
 */
@NullMarked
package taxon.formats.gdtf;

import org.jspecify.annotations.NullMarked;
