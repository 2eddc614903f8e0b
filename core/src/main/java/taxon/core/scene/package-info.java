/**
 * A scene out of another program: fixtures in space, and how they are merged into a job.
 */
@NullMarked
package taxon.core.scene;

import org.jspecify.annotations.NullMarked;
