/**
 * Runs of slots into free runs of slots, as numbers only: bounds, packing and its proof, and what can stay where it is.
 *
 * <p>Input: lots of runs by length, bins with their holes, and the grain on which runs may begin. Output: how many runs of
 * each lot go into which hole, and how far that is from the best there can be. Nothing here knows of fixtures. The same
 * input gives the same output: effort is limited by steps, never by time.
 */
@NullMarked
package taxon.core.packing;

import org.jspecify.annotations.NullMarked;
