/** Jobs made from jobs: variants that try something, revisions that are restored, new jobs from old ones, and where jobs stand in the list. */
@NullMarked
package taxon.app.variants;

import org.jspecify.annotations.NullMarked;
