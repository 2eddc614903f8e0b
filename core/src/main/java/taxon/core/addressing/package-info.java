/**
 * Where things can go, and plans for where they should.
 *
 * <p>Input: a plan and a request. Output: a {@link taxon.core.addressing.answer.AddressProposal} with every move, what stays, what could
 * not be placed and why, and the price. The same request on the same plan gives the same proposal. Nothing is moved here:
 * applying a proposal is one edit.
 */
@NullMarked
package taxon.core.addressing;

import org.jspecify.annotations.NullMarked;
