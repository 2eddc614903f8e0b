/**
 * Where units hang along their positions: a run from here to there, by pitch, about the centre, mirrored.
 *
 * <p>Input: a plan, fixtures and a way of spreading them. Output: a proposal with every offset before and after.
 */
@NullMarked
package taxon.core.arranging;

import org.jspecify.annotations.NullMarked;
