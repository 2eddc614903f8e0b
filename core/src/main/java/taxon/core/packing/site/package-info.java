/**
 * Universes as sites that are filled whole: what stays where it is, what comes in, and who may be together, slot by slot.
 *
 * <p>Input: goods by length and class, with their number; sites with the slots on which something may begin, and who sits
 * there now. Output: a filling of every site, what is left over, the cost, and a bound below which no filling costs. Effort
 * is limited by numbers touched, never by time.
 */
@NullMarked
package taxon.core.packing.site;

import org.jspecify.annotations.NullMarked;
