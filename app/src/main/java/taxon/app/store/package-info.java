/**
 * The SQLite store: jobs as plans, the journal, revisions, open proposals and imports.
 *
 * <p>Plan tables are written only through {@link taxon.app.store.PlanStore}, and that only by the package edit.
 */
@NullMarked
package taxon.app.store;

import org.jspecify.annotations.NullMarked;
