/** Scene files: MVR in (DIN SPEC 15801, from memory). */
@NullMarked
package taxon.formats.mvr;

import org.jspecify.annotations.NullMarked;
