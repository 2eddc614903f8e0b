/** Which single mistake explains what was seen: asked from a page, computed beside it. */
@NullMarked
package taxon.app.checks.explain;

import org.jspecify.annotations.NullMarked;
