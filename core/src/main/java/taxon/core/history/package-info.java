/**
 * What a change of a plan did, line by line, for people to read.
 */
@NullMarked
package taxon.core.history;

import org.jspecify.annotations.NullMarked;
