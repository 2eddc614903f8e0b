/**
 * The only way to change a job: an edit with the version it was made on goes in; the new version, a refusal or a conflict
 * comes out. Plan rows and the journal entry are written in one transaction; undo and redo read the journal.
 */
@NullMarked
package taxon.app.edit;

import org.jspecify.annotations.NullMarked;
