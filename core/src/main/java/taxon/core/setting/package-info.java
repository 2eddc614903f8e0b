/**
 * How each unit is set by hand: its addresses, the number of its mode, its switches, the way through its menu and what else is to be set
 * there, as its card tells it.
 */
@NullMarked
package taxon.core.setting;

import org.jspecify.annotations.NullMarked;
