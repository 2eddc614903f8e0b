/**
 * The job as JSON, in and out, with a published schema ({@code taxon-job-1.schema.json}), and changes of a plan for the journal.
 *
 * <p>Input is untrusted: it is held against the schema first and against the plan's own rules after.
 */
@NullMarked
package taxon.formats.json;

import org.jspecify.annotations.NullMarked;
