/**
 * Which single mistake explains what was seen of a rig: tests and what answered in, causes out, ranked, with the test that tells them apart
 * best. Pure; what a cause would show is worked out from the plan as it would be with it.
 */
@NullMarked
package taxon.core.explain;

import org.jspecify.annotations.NullMarked;
