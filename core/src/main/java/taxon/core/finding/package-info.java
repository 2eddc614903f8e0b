/**
 * What is wrong or open in a plan.
 *
 * <p>A finding is data: the rule, its subjects, the evidence in numbers, and a way out where there is one. The whole check
 * is deterministic, in a total order, and linear in the plan but for sorting. Sentences are made last, in {@link
 * taxon.core.finding.FindingText}.
 */
@NullMarked
package taxon.core.finding;

import org.jspecify.annotations.NullMarked;
