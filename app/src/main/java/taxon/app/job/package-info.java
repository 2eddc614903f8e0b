/**
 * Jobs: the list, making one, the job sheet, undo, redo and the history; the whole job as JSON, in and out.
 */
@NullMarked
package taxon.app.job;

import org.jspecify.annotations.NullMarked;
