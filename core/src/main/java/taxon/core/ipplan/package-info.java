/**
 * The IP plan: which address each box gets within the job's range.
 */
@NullMarked
package taxon.core.ipplan;

import org.jspecify.annotations.NullMarked;
