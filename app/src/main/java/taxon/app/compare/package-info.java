/** The plan held against another patch: a list, a scene, a revision, another job, or what the rig says; nothing of it is added by reading it. */
@NullMarked
package taxon.app.compare;

import org.jspecify.annotations.NullMarked;
