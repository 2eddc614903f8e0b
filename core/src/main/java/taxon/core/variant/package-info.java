/**
 * Plans made from others: what a variant or a revision has otherwise is taken over, in whole or in parts; and a job is begun from an old one.
 * What was set, proved and checked stays with the job. Pure.
 */
@NullMarked
package taxon.core.variant;

import org.jspecify.annotations.NullMarked;
