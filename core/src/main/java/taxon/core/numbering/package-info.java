/**
 * The order of a rig, and fixture IDs that follow it.
 *
 * <p>Input: a plan and a wish (by position or type, from which side, from which number). Output: a proposal with every change
 * and its reason; nothing moves. Positions count in the order of their numbers, and along a position by offset.
 */
@NullMarked
package taxon.core.numbering;

import org.jspecify.annotations.NullMarked;
