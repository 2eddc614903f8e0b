/**
 * What is written to units and boxes over the wire: one list of orders, each with what was there and what will be, done one after
 * the other and read back. Pure; who sends is a {@link taxon.core.writing.Pen}.
 */
@NullMarked
package taxon.core.writing;

import org.jspecify.annotations.NullMarked;
