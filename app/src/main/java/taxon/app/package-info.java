/** The application: store, edits, and one package for each stage of the work. */
@NullMarked
package taxon.app;

import org.jspecify.annotations.NullMarked;
