/** ZIP archives that may come from anyone: names checked, sizes bounded before and while they are unpacked. */
@NullMarked
package taxon.formats.zip;

import org.jspecify.annotations.NullMarked;
