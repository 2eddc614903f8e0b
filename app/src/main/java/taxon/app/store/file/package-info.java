/** The file that the jobs are kept in: whose it is, who has it open, and whether it is whole. */
@NullMarked
package taxon.app.store.file;

import org.jspecify.annotations.NullMarked;
