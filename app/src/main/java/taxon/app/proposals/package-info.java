/**
 * Proposals of every kind: kept, looked at, applied once or dropped.
 */
@NullMarked
package taxon.app.proposals;

import org.jspecify.annotations.NullMarked;
