/**
 * What is heard on the wire, held against the plan: what is missing, what nobody planned, who fights, and what the levels mean to the
 * fixtures that listen there.
 */
@NullMarked
package taxon.core.seen;

import org.jspecify.annotations.NullMarked;
