/**
 * What is asked of addresses, resolved on a plan: which blocks are placed as one, in which order, and who may share a universe with whom.
 */
@NullMarked
package taxon.core.addressing.request;

import org.jspecify.annotations.NullMarked;
