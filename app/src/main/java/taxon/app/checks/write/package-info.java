/** Writing to units and boxes: a list is prepared, armed, written one by one and read back; what was there before is kept. */
@NullMarked
package taxon.app.checks.write;

import org.jspecify.annotations.NullMarked;
